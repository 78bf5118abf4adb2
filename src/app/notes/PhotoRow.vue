<script setup lang="ts">
import { Camera, X } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { onScopeDispose, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { readJpeg } from '../bench/photo'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'

const { photos, of } = defineProps<{
  /** Ids of photos in the photo store. */
  photos: readonly string[]
  /** What they are of, for people: `this step`. */
  of: string
}>()
const emit = defineEmits<{ photos: [ids: string[]] }>()

const store = usePlanStore()
const { shelf } = useShelf()
const field = useTemplateRef<HTMLInputElement>('field')
const problem = ref('')
const isReading = ref(false)

/** Pictures as addresses that the page can show. */
const shown = shallowRef<readonly { readonly id: string; readonly url: string | undefined }[]>([])
function forget(): void {
  for (const { url } of shown.value) if (url !== undefined) URL.revokeObjectURL(url)
}
onScopeDispose(forget)
watch(
  () => photos.join(' '),
  async () => {
    const ids = [...photos]
    const found = new Map(
      (await shelf.photos(ids).catch(() => [])).map(({ id, bytes }) => [id, bytes]),
    )
    forget()
    shown.value = ids.map((id) => {
      const bytes = found.get(id)
      return {
        id,
        url:
          bytes === undefined
            ? undefined
            : URL.createObjectURL(new Blob([bytes as BlobPart], { type: 'image/jpeg' })),
      }
    })
  },
  { immediate: true },
)

async function add(): Promise<void> {
  const files = [...(field.value?.files ?? [])]
  if (field.value !== null) field.value.value = ''
  const planId = store.id
  if (planId === undefined) return
  problem.value = ''
  isReading.value = true
  const fresh: string[] = []
  for (const file of files) {
    const bytes = await readJpeg(file)
    if (typeof bytes === 'string') {
      problem.value = bytes
      continue
    }
    const id = nanoid(10)
    try {
      await shelf.addPhotos(planId, [{ id, bytes }])
      fresh.push(id)
    } catch {
      problem.value =
        'This browser could not keep the photo: free some room on this device. Nothing else is lost.'
    }
  }
  isReading.value = false
  if (fresh.length > 0) emit('photos', [...photos, ...fresh])
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-2">
    <template v-for="({ id, url }, at) in shown" :key="id">
      <span class="relative">
        <a v-if="url" :href="url" target="_blank" rel="noopener">
          <img
            :src="url"
            :alt="`Photo ${at + 1} of ${of}`"
            class="h-20 w-28 rounded-md object-cover"
          />
        </a>
        <span
          v-else
          class="grid h-20 w-28 place-items-center rounded-md bg-bench px-2 text-center text-[12px] text-bench-soft"
          >not on this device</span
        >
        <button
          type="button"
          class="absolute -top-2 -right-2 grid size-7 place-items-center rounded-full border border-bench-line bg-bench-raised"
          :aria-label="`Remove photo ${at + 1}`"
          @click="
            emit(
              'photos',
              photos.filter((one) => one !== id),
            )
          "
        >
          <X :size="14" />
        </button>
      </span>
    </template>
    <button type="button" class="button-quiet h-11" :disabled="isReading" @click="field?.click()">
      <Camera :size="17" /> {{ isReading ? 'Reading it …' : 'Photo' }}
    </button>
    <input
      ref="field"
      type="file"
      accept="image/*"
      multiple
      class="hidden"
      :aria-label="`Photos of ${of}`"
      @change="add"
    />
    <p v-if="problem" class="w-full text-[13px] text-stop" role="alert">{{ problem }}</p>
  </div>
</template>
