<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { StoredItem } from '../storage/db'
import FormDialog from '../ui/FormDialog.vue'
import type { Booking } from './booking'
import { amountText } from './amount-text'

const { plan, booking } = defineProps<{ plan: Plan; booking: Booking }>()
const emit = defineEmits<{ close: []; book: [into: readonly StoredItem[]] }>()

const skipped = ref(new Set<string>())
const kept = computed(() => booking.into.filter(({ id }) => !skipped.value.has(id)))
function toggle(id: string): void {
  const next = new Set(skipped.value)
  if (!next.delete(id)) next.add(id)
  skipped.value = next
}
</script>

<template>
  <FormDialog
    title="It is built"
    action="Settle the drawer"
    @close="emit('close')"
    @submit="emit('book', kept)"
  >
    <section class="col-span-2 text-[13px]">
      <h3 class="mb-1 font-semibold">Out of the drawer</h3>
      <p v-if="booking.out.length === 0" class="text-bench-soft">
        {{ plan.name }} took nothing from it.
      </p>
      <p v-for="{ entry, left } in booking.out" :key="entry.id">
        {{ entry.name }}, {{ amountText(entry, plan.units) }}
        <span class="text-bench-soft">
          {{
            left > 0
              ? `· ${formatQuantity(left, entry.unit === 'm' ? 'm' : '')} stay in`
              : '· all of it'
          }}
        </span>
      </p>
    </section>
    <section class="col-span-2 max-h-64 overflow-y-auto text-[13px]">
      <h3 class="mb-1 font-semibold">Into the drawer</h3>
      <p v-if="booking.into.length === 0" class="text-bench-soft">
        Nothing worth keeping is left over. Tick what you bought on the bill: the rest of its packs
        then stands here.
      </p>
      <label v-for="item in booking.into" :key="item.id" class="flex items-center gap-2 py-0.5">
        <input
          type="checkbox"
          class="accent-glow"
          :checked="!skipped.has(item.id)"
          @change="toggle(item.id)"
        />
        {{ item.name }}, {{ amountText(item, plan.units) }}
      </label>
    </section>
  </FormDialog>
</template>
