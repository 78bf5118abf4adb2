<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/vue'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { formatLength } from '../../core/quantity/format'
import { useSums } from '../sums/use-sums'
import { overlay } from '../stores/overlay'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import { theme, themes } from '../stores/theme'
import { useFocusBack } from '../ui/focus-back'
import { usePlanActions } from './plan-actions'
import { found, type Find } from './search'
import { stages } from './stages'

const emit = defineEmits<{ close: [] }>()
useFocusBack()

const [route, router] = [useRoute(), useRouter()]
const store = usePlanStore()
const spotlight = useSpotlight()
const { cards } = useSums()
const planActions = usePlanActions()

const planId = computed(() => (typeof route.params.id === 'string' ? route.params.id : undefined))
const isMine = computed(() => store.access === 'mine')

function toRun(id: string): void {
  spotlight.choose(id)
  if (route.name === 'sums' || route.name === 'plans' || route.name === 'glow')
    void router.push({ name: 'measure', params: { id: planId.value }, query: { run: id } })
}

const all = computed((): Find[] => {
  const { plan } = store
  const inPlan = planId.value !== undefined && plan !== undefined
  const go = (name: string, params = {}): void => void router.push({ name, params })
  return [
    ...(inPlan
      ? stages.map(({ name, label }, index) => ({
          group: 'Pages',
          text: label,
          more: `Alt+${String(index + 1)}`,
          run: () => {
            go(name, { id: planId.value })
          },
        }))
      : []),
    {
      group: 'Pages',
      text: 'Plans',
      run: () => {
        go('plans')
      },
    },
    {
      group: 'Pages',
      text: 'Sums',
      run: () => {
        go('sums')
      },
    },
    {
      group: 'Pages',
      text: 'Something is wrong? Without a plan',
      run: () => {
        go('trouble')
      },
    },
    ...planActions
      .filter(({ needsPlan }) => inPlan || !needsPlan)
      .map(({ label, run }) => ({ group: 'Actions', text: label, run })),
    ...(inPlan && isMine.value
      ? [
          { group: 'Actions', text: 'Undo', more: 'Ctrl+Z', run: () => void store.undo() },
          { group: 'Actions', text: 'Redo', more: 'Ctrl+Shift+Z', run: () => void store.redo() },
        ]
      : []),
    ...themes.map(({ value, label }) => ({
      group: 'Actions',
      text: `Appearance: ${label.toLowerCase()}`,
      run: () => {
        theme.value = value
      },
    })),
    {
      group: 'Actions',
      text: 'Help, shortcuts and glossary',
      more: '?',
      run: () => (overlay.value = 'help'),
    },
    ...(inPlan
      ? store.measured.runs.map((measured) => ({
          group: 'Runs of this plan',
          text: measured.name,
          more: measured.wantedMm > 0 ? formatLength(measured.wantedMm, plan.units) : '',
          run: () => {
            toRun(measured.id)
          },
        }))
      : []),
    ...cards.value.map(({ name, title }) => ({
      group: 'Sums',
      text: title,
      run: () => {
        go('sums', { name })
      },
    })),
    ...(inPlan && isMine.value
      ? store.parts.strips
          .filter(({ id }) => id !== plan.defaults.stripId)
          .map(({ id, name }) => ({
            group: 'Light for new lines',
            text: `Use ${name}`,
            run: () => {
              store.commit([{ do: 'set-default-strip', strip: id }], { label: 'light of the plan' })
            },
          }))
      : []),
  ]
})

const query = ref('')
const shown = computed(() => found(all.value, query.value))
const groups = computed(() =>
  [...new Set(shown.value.map(({ group }) => group))].map(
    (group) => [group, shown.value.filter((one) => one.group === group)] as const,
  ),
)

let isChosen = false
function choose(one: Find | null | undefined): void {
  if (one === null || one === undefined || isChosen) return
  isChosen = true
  emit('close')
  one.run()
}
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-black/60" aria-hidden="true" />
    <div
      class="fixed inset-0 grid grid-cols-1 justify-items-center overflow-y-auto p-3 sm:pt-[12vh]"
    >
      <DialogPanel
        class="h-fit w-full max-w-xl rounded-xl border border-bench-line bg-bench-raised p-2 shadow-2xl"
      >
        <DialogTitle class="sr-only">Search pages, actions, runs, parts and sums</DialogTitle>
        <Combobox
          v-slot="{ activeOption }"
          nullable
          :model-value="null"
          @update:model-value="choose"
        >
          <ComboboxInput
            class="field w-full py-2.5 text-[15px]"
            aria-label="Search pages, actions, runs, parts and sums"
            placeholder="Page, action, run, part or sum"
            @change="query = $event.target.value"
            @keydown.enter.prevent="choose(activeOption ?? shown[0])"
          />
          <ComboboxOptions static class="mt-1 max-h-[52vh] overflow-y-auto">
            <template v-for="[group, finds] in groups" :key="group">
              <li class="px-2.5 pt-2 pb-1 text-[12px] text-bench-soft" role="presentation">
                {{ group }}
              </li>
              <ComboboxOption v-for="one in finds" :key="one.text" v-slot="{ active }" :value="one">
                <span
                  class="flex min-h-9 items-center justify-between gap-3 rounded-md px-2.5 text-[14px]"
                  :class="active && 'bg-bench-line'"
                >
                  <span>{{ one.text }}</span>
                  <span class="shrink-0 text-[12.5px] text-bench-soft">{{ one.more }}</span>
                </span>
              </ComboboxOption>
            </template>
            <li v-if="shown.length === 0" class="px-2.5 py-3 text-[13px] text-bench-soft">
              Nothing with “{{ query }}”.
            </li>
          </ComboboxOptions>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
