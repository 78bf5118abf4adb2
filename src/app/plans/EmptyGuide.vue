<script setup lang="ts">
import { FolderInput } from '@lucide/vue'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { messageOf } from '../../core/quantity/message-of'
import { usePlanFiles } from '../shell/plan-files'
import { useNotices } from '../stores/notices'
import { useShelf } from '../stores/shelf'
import { examples } from './examples'

const { shelf } = useShelf()
const notices = useNotices()
const router = useRouter()
const { chooseFile } = usePlanFiles()

const isOpening = ref(false)
async function open({ name, make }: (typeof examples)[number]): Promise<void> {
  isOpening.value = true
  try {
    const id = await shelf.add(await make(), { isExample: true })
    await router.push({ name: 'measure', params: { id } })
  } catch (error) {
    notices.show({ kind: 'problem', text: `${name} could not be opened: ${messageOf(error)}.` })
  } finally {
    isOpening.value = false
  }
}
</script>

<template>
  <section
    class="grid place-content-center gap-5 overflow-y-auto p-6 text-center font-sans [&_a]:pointer-events-auto [&_button]:pointer-events-auto"
    aria-label="Ways to begin"
  >
    <div>
      <h2 class="text-base font-semibold">Type a line</h2>
      <p class="mt-1 text-[14px] opacity-85">
        Write what your tape reads on the pad, a line for each place:
      </p>
      <code class="mt-2 inline-block text-left font-mono text-[14px] leading-6 font-semibold"
        >shelf 650<br />ledge 2 x 560<br />mirror ring 382</code
      >
    </div>
    <div>
      <h2 class="text-base font-semibold">Or start from an example</h2>
      <ul class="mx-auto mt-2 grid max-w-xl gap-1.5 text-left sm:grid-cols-2">
        <li v-for="example in examples" :key="example.name">
          <button
            type="button"
            class="min-h-11 w-full rounded-lg border border-current/25 px-3 py-1.5 text-left hover:border-current/70 disabled:opacity-50"
            :disabled="isOpening"
            @click="open(example)"
          >
            <span class="block text-[14px] font-semibold">{{ example.name }}</span>
            <span class="block text-[12.5px] opacity-80">{{ example.about }}</span>
          </button>
        </li>
      </ul>
    </div>
    <p>
      <button
        type="button"
        class="inline-flex min-h-11 items-center gap-2 rounded-lg border border-current/25 px-3 text-[14px] hover:border-current/70"
        @click="chooseFile"
      >
        <FolderInput :size="16" /> Or open a file
      </button>
    </p>
  </section>
</template>
