<script setup lang="ts">
import { Archive, ArchiveRestore } from '@lucide/vue'
import { computed, ref } from 'vue'
import { plural } from '../../core/quantity/format'
import { issueText, messageOf } from '../../core/quantity/message-of'
import { saveBlob } from '../shell/save-text'
import { gatherBackup, lastBackupAt, mergeBackup, noteBackup } from '../storage/backup'
import { useLiveQuery } from '../storage/use-live-query'
import { useNotices } from '../stores/notices'
import { useShelf } from '../stores/shelf'
import { fileOf } from '../ui/field-text'

/** Of one's own, not of the examples. */
const { ownPlans } = defineProps<{ ownPlans: number }>()

const { db, shelf, fail } = useShelf()
const notices = useNotices()

const lastAt = useLiveQuery(async () => (await lastBackupAt(db)) ?? 0, fail)
/** After so long without one it is called to mind. */
const longMs = 30 * 24 * 3_600_000
const isDue = computed(
  () => ownPlans > 0 && lastAt.value !== undefined && Date.now() - lastAt.value > longMs,
)
const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' })
const lastText = computed(() =>
  lastAt.value === undefined
    ? ''
    : lastAt.value === 0
      ? 'Never backed up.'
      : `Last backup: ${day.format(lastAt.value)}.`,
)

const isBusy = ref(false)
async function busy(what: string, work: () => Promise<void>): Promise<void> {
  isBusy.value = true
  try {
    await work()
  } catch (error) {
    notices.show({ kind: 'problem', text: `${what} did not work: ${messageOf(error)}.` })
  } finally {
    isBusy.value = false
  }
}

const save = (): Promise<void> =>
  busy('The backup', async () => {
    const { writeBackup } = await import('../../formats/backup')
    const { backup, unreadable } = await gatherBackup(db, shelf)
    const now = new Date()
    saveBlob(
      `glow tally backup ${now.toISOString().slice(0, 10)}.zip`,
      new Blob([writeBackup(backup) as BlobPart], { type: 'application/zip' }),
    )
    await noteBackup(db, now.getTime())
    notices.show(
      unreadable.length === 0
        ? {
            kind: 'done',
            text: `${plural(backup.plans.length, 'plan')}, your own parts, the drawer and your prices are in the file.`,
          }
        : {
            kind: 'problem',
            text: 'Plans that cannot be read are not in the backup: export each as it is stored.',
            details: unreadable,
          },
    )
  })

async function restore(file: File): Promise<void> {
  await busy('Reading the backup', async () => {
    const { readBackup } = await import('../../formats/backup')
    const read = readBackup(new Uint8Array(await file.arrayBuffer()))
    if (!read.ok) {
      notices.show({
        kind: 'problem',
        text: `${file.name} was not read. Everything here is as it was.`,
        details: read.issues.map(issueText),
      })
      return
    }
    const merged = await mergeBackup(db, shelf, read.backup)
    const { added, same, beside, parts, drawer, prices } = merged
    const counts = [
      `${plural(added.length, 'plan')} added`,
      ...(same > 0 ? [`${plural(same, 'plan')} as here already`] : []),
      ...(parts > 0 ? [`${plural(parts, 'part')} of your own`] : []),
      ...(drawer > 0 ? [`${plural(drawer, 'thing')} into the drawer`] : []),
      ...(prices > 0 ? [plural(prices, 'price')] : []),
    ].join(', ')
    const details = [
      ...beside.map((name) => `“${name}” stands beside the plan here that differs`),
      ...read.leftOut.map((issue) => `left out: ${issueText(issue)}`),
    ]
    notices.show({
      kind: details.length > 0 ? 'problem' : 'done',
      text: `${counts}. Nothing here was changed.`,
      details,
    })
  })
}

function choose(event: Event): void {
  const file = fileOf(event)
  if (file !== undefined) void restore(file)
}
const input = ref<HTMLInputElement>()
</script>

<template>
  <section
    class="mt-8 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border px-4 py-3 text-[13px]"
    :class="isDue ? 'border-warning/70' : 'border-bench-line'"
    aria-label="Backup"
  >
    <p class="min-w-0 flex-1 basis-64 text-bench-soft">
      Plans live in this browser alone. {{ lastText }}
      <span v-if="isDue" class="text-warning">Save all of it as one file now.</span>
    </p>
    <button
      type="button"
      class="button-quiet min-h-9 max-sm:min-h-11"
      :disabled="isBusy"
      @click="save"
    >
      <Archive :size="15" /> Back up everything
    </button>
    <button
      type="button"
      class="button-quiet min-h-9 max-sm:min-h-11"
      :disabled="isBusy"
      @click="input?.click()"
    >
      <ArchiveRestore :size="15" /> Read a backup
    </button>
    <input
      ref="input"
      type="file"
      class="hidden"
      accept=".zip,application/zip"
      aria-label="Backup file"
      @change="choose"
    />
  </section>
</template>
