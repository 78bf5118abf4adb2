import type { Plan } from '../../core/plan/plan'
import { plural } from '../../core/quantity/format'
import { useNotices } from '../stores/notices'

/** Puts a link to the whole plan on the clipboard; where it is too long, the file is offered. */
export async function shareAsLink(
  plan: Plan | undefined,
  exportPlan: () => Promise<void>,
): Promise<void> {
  if (plan === undefined) return
  const notices = useNotices()
  const asFile = { label: 'Export to a file', run: () => void exportPlan() }
  const { longestLink, planLink } = await import('../../formats/plan-link')
  const link = planLink(plan)
  if (!link.ok) {
    notices.show({
      kind: 'problem',
      text: `As a link this plan has ${String(link.length)} characters; mail and chat programs cut off what is longer than ${String(longestLink)}. Send it as a file.`,
      actions: [asFile],
    })
    return
  }
  const address = new URL(`/shared#${link.fragment}`, location.href).href
  const leftOut = [
    ...(link.photosLeftOut > 0 ? [plural(link.photosLeftOut, 'photo')] : []),
    ...(link.isBackgroundLeftOut ? ['the photo behind the drawing'] : []),
  ]
  const without = leftOut.length > 0 ? ` Without ${leftOut.join(' and ')}: the file has all.` : ''
  try {
    await navigator.clipboard.writeText(address)
    notices.show({
      kind: 'done',
      text: `The link is copied. Whoever opens it gets a copy of the plan as it is now.${without}`,
      actions: leftOut.length > 0 ? [asFile] : [],
    })
  } catch {
    // Not given by the browser, or no https: the link can be copied by hand.
    notices.show({
      kind: 'offer',
      text: `This browser gives no access to its clipboard here. Copy the link by hand:${without}`,
      details: [address],
      actions: [asFile],
    })
  }
}
