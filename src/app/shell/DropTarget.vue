<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { mostLines } from '../../core/plan/usual'
import { plural } from '../../core/quantity/format'
import { dropped } from '../stores/dropped'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { usePlanFiles } from './plan-files'
import { unreadText } from './read-plan-upload'

const { importPlan } = usePlanFiles()
const [route, router] = [useRoute(), useRouter()]
const store = usePlanStore()
const notices = useNotices()
const isOver = ref(false)
/** What is dropped goes into the open plan. */
const isOpen = computed(
  () => route.params.id !== undefined && store.plan !== undefined && store.access === 'mine',
)

const holdsFile = (event: DragEvent): boolean =>
  event.dataTransfer?.types.includes('Files') === true

type Kind = 'plan' | 'list' | 'outline' | 'photo' | 'other'
const endings: readonly (readonly [RegExp, Kind])[] = [
  [/\.(?:json|zip)$/i, 'plan'],
  [/\.(?:txt|csv|tsv|md)$/i, 'list'],
  [/\.(?:svg|dxf)$/i, 'outline'],
  [/\.(?:jpe?g|png|webp|gif|avif)$/i, 'photo'],
]
const kindOf = ({ name, type }: File): Kind =>
  endings.find(([ending]) => ending.test(name))?.[1] ??
  (type.startsWith('image/') ? 'photo' : type.startsWith('text/') ? 'list' : 'other')

/** A list is short; a book dropped by mistake is not read. */
const largestListBytes = 1_000_000

async function addLines(file: File): Promise<void> {
  const { plan } = store
  if (plan === undefined) return
  const { listLines } = await import('../../formats/list-lines')
  const list = file.size > largestListBytes ? '' : await file.text().catch(() => undefined)
  if (list === undefined) {
    notices.show({ kind: 'problem', text: `${file.name} was not read.`, details: [unreadText] })
    return
  }
  const texts = listLines(list).filter((text) => text.trim() !== '')
  const room = mostLines - plan.lines.length
  if (texts.length === 0 || texts.length > room) {
    notices.show({
      kind: 'problem',
      text:
        texts.length === 0
          ? `${file.name} has no lines for the pad: a list with a place and its length in each line is expected.`
          : `${file.name} has ${String(texts.length)} lines; the pad has room for ${String(room)} more. Nothing was added.`,
    })
    return
  }
  const lines = texts.map((text) => ({ id: nanoid(8), text: text.slice(0, 500) }))
  const [only] = plan.lines
  const isFresh = plan.lines.length === 1 && only?.text === ''
  store.commit(
    [
      { do: 'add-lines', at: plan.lines.length, lines },
      ...(isFresh ? [{ do: 'remove-line', line: only.id } as const] : []),
    ],
    { label: `${plural(lines.length, 'line')} of ${file.name}` },
  )
  notices.done(
    `${plural(lines.length, 'line')} of ${file.name} on the pad. Look whether each is understood.`,
    store.undo,
  )
}

async function take(file: File): Promise<void> {
  const kind = kindOf(file)
  if (kind === 'plan') {
    await importPlan(file)
    return
  }
  if (kind === 'other') {
    notices.show({
      kind: 'problem',
      text: `${file.name} cannot be used here. A plan (JSON, zip) goes on the shelf; a list (text, CSV) becomes lines of the pad, an SVG or DXF an outline, a photo the background.`,
    })
    return
  }
  if (!isOpen.value) {
    notices.show({
      kind: 'problem',
      text: `Open the plan that ${file.name} is for, and drop it there.`,
    })
    return
  }
  if (route.name !== 'measure')
    await router.push({ name: 'measure', params: { id: route.params.id } })
  if (kind === 'list') await addLines(file)
  else dropped.value = { kind, file }
}

useEventListener('dragover', (event: DragEvent) => {
  if (!holdsFile(event)) return
  event.preventDefault()
  isOver.value = true
})
useEventListener('dragleave', (event: DragEvent) => {
  if (event.relatedTarget === null) isOver.value = false
})
useEventListener('drop', (event: DragEvent) => {
  isOver.value = false
  const [file] = event.dataTransfer?.files ?? []
  if (file === undefined) return
  event.preventDefault()
  void take(file)
})
</script>

<template>
  <div
    v-if="isOver"
    class="pointer-events-none fixed inset-3 z-40 grid place-content-center gap-1 rounded-2xl border-2 border-dashed border-glow bg-bench/85 p-6 text-center text-lg"
  >
    <p>Drop a plan file to put it on the shelf</p>
    <p v-if="isOpen" class="text-[14px] text-bench-soft">
      or a list for the pad, an SVG or DXF outline, a photo to lie behind the drawing
    </p>
  </div>
</template>
