<script setup lang="ts">
import { useMutationObserver, useThrottleFn } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { overlay } from '../stores/overlay'
import { usePlanStore } from '../stores/plan'
import SheetDialog from '../ui/SheetDialog.vue'
import { wordsIn } from './explained'
import { glossary, shortcuts } from './glossary'
import { useOffline, type Kept } from './offline'

const emit = defineEmits<{ close: [] }>()
const [route, router] = [useRoute(), useRouter()]
const store = usePlanStore()
const { kept, update } = useOffline()

const query = ref('')
/** What stands on the page that the help was opened over, which may still be coming. */
const look = (): ReturnType<typeof wordsIn> =>
  wordsIn(document.querySelector('main')?.innerText ?? '')
const onThePage = shallowRef(look())
const lookAgain = useThrottleFn(
  () => {
    onThePage.value = look()
  },
  500,
  true,
)
useMutationObserver(document.getElementById('app'), () => void lookAgain(), {
  childList: true,
  subtree: true,
})

const groups = computed(() => {
  const wanted = query.value.trim().toLowerCase()
  const words = glossary.filter(({ word, means }) =>
    `${word} ${means}`.toLowerCase().includes(wanted),
  )
  const [here, others] = [true, false].map((isHere) =>
    words.filter((word) => onThePage.value.has(word) === isHere),
  )
  return [
    { title: 'On this page', words: here ?? [] },
    { title: onThePage.value.size > 0 ? 'All others' : '', words: others ?? [] },
  ].filter(({ words: some }) => some.length > 0)
})
const keptTexts: Readonly<Record<Kept, string>> = {
  insecure:
    'Not available at this address. Browsers allow use without network, the awake screen and the copy of a link only at https addresses and on this machine itself (localhost).',
  'not offered': 'This browser does not offer it.',
  'being kept': 'The app is being stored on this device …',
  kept: 'Every page opens without network. In the browser’s menu it can be installed as an app.',
  failed: 'The app could not be stored on this device: no network, or a private window.',
}

async function guide(): Promise<void> {
  if (route.name !== 'measure' && store.id !== undefined)
    await router.push({ name: 'measure', params: { id: store.id } })
  overlay.value = 'guide'
}
</script>

<template>
  <SheetDialog title="Help" width="max-w-4xl" @close="emit('close')">
    <div class="flex flex-wrap items-center gap-3 text-[14px]">
      <button
        type="button"
        class="button-main min-h-9 max-sm:min-h-11"
        :disabled="store.id === undefined"
        @click="guide"
      >
        Show me round
      </button>
      <p class="text-bench-soft">
        {{
          store.id === undefined
            ? 'Open a plan first: the tour points at its page.'
            : 'Seven things on the Measure page, a minute. Leave it at any time with Esc.'
        }}
      </p>
    </div>
    <div class="mt-5 grid gap-x-8 gap-y-5 md:grid-cols-2">
      <section class="max-md:order-last" aria-label="Shortcuts">
        <h3 class="text-[15px] font-semibold">Shortcuts</h3>
        <div v-for="{ where, keys } in shortcuts" :key="where" class="mt-2">
          <h4 class="text-bench-soft">{{ where }}</h4>
          <dl class="grid grid-cols-[8.5rem_1fr] gap-x-3 gap-y-1">
            <template v-for="[key, does] in keys" :key="key">
              <dt class="font-mono text-[12.5px]">{{ key }}</dt>
              <dd>{{ does }}</dd>
            </template>
          </dl>
        </div>
        <h3 class="mt-5 text-[15px] font-semibold">Without network</h3>
        <p class="mt-1 text-bench-soft">{{ keptTexts[kept] }}</p>
        <button v-if="update" type="button" class="button-quiet mt-2" @click="update">
          Update to the newer version
        </button>
      </section>
      <section aria-label="Words">
        <div class="flex items-center justify-between gap-3">
          <h3 class="text-[15px] font-semibold">Words</h3>
          <input
            v-model="query"
            class="field w-44!"
            type="search"
            aria-label="Find a word"
            placeholder="Find a word"
          />
        </div>
        <div
          class="mt-2 max-h-[52vh] overflow-y-auto pr-2"
          tabindex="0"
          role="group"
          aria-label="Glossary"
        >
          <template v-for="group in groups" :key="group.title">
            <h4 v-if="group.title" class="mt-3 text-bench-soft first:mt-0">{{ group.title }}</h4>
            <dl>
              <template v-for="{ word, means } in group.words" :key="word">
                <dt class="mt-2 font-semibold">{{ word }}</dt>
                <dd class="text-bench-soft">{{ means }}</dd>
              </template>
            </dl>
          </template>
        </div>
        <p v-if="groups.length === 0" class="mt-2 text-bench-soft">No word with “{{ query }}”.</p>
      </section>
    </div>
    <p class="mt-5 border-t border-bench-line pt-3 text-[13px] text-bench-soft">
      Extra-low voltage only. Use a certified, enclosed supply; have fixed mains wiring done by a
      licensed electrician; local codes decide.
    </p>
  </SheetDialog>
</template>
