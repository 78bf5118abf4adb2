import { whole } from '../src/app/engine/delta'
import { PlanService } from '../src/app/engine/plan-service'
import { change } from '../src/core/plan/commands'
import { emptyHistory, recorded } from '../src/core/plan/history'
import { heldBytes } from '../src/testing/held-bytes'
import { shortRuns } from '../src/testing/short-runs'

const heldMb = (): number => heldBytes() / 1e6

/** Edits on 2,000 lines for so many minutes, `SOAK_MINUTES`, with their steps back; what is held must not grow with them. */
export async function soakBench(): Promise<void> {
  const minutes = Number(process.env.SOAK_MINUTES ?? 2)
  let plan = shortRuns(2_000)
  let history = emptyHistory
  const service = new PlanService()
  service.begin()
  await service.answer(whole(plan), {
    parts: ['totals', 'supplies', 'verdicts'],
    sections: ['current'],
  })
  const start = performance.now()
  const held: number[] = []
  let edits = 0
  for (let part = 0; part < 8; part += 1) {
    while (performance.now() - start < ((part + 1) * minutes * 60_000) / 8) {
      const changed = change(plan, [
        {
          do: 'set-text',
          line: `l${String((edits * 7) % 2_000)}`,
          text: `niche ${String(310 + (edits % 97))}`,
        },
      ])
      history = recorded(history, changed, { label: 'typing', key: '', canJoin: false })
      ;({ plan } = changed)
      await service.answer(whole(plan), {
        parts: ['totals', 'supplies', 'verdicts'],
        sections: ['current'],
      })
      edits += 1
    }
    held.push(heldMb())
  }
  const [first = 0, last = 0] = [held[1], held.at(-1)]
  console.log(
    `${String(edits)} edits on 2,000 lines in ${String(minutes)} min: ${held.map((mb) => mb.toFixed(0)).join(', ')} MB; at the end ${(last / first).toFixed(2)} × a quarter through`,
  )
}
