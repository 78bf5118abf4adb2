<script setup lang="ts">
import { Share2 } from '@lucide/vue'
import { useTemplateRef } from 'vue'
import { toBuy, type Receipt } from '../../core/buy/receipt'
import { plural } from '../../core/quantity/format'
import { messageOf } from '../../core/quantity/message-of'
import { billText } from '../../formats/bill-text'
import { billTable } from '../../formats/csv-bill'
import { priceTable, readPriceList } from '../../formats/price-list'
import { usePrice } from '../shell/price'
import { saveTable } from '../shell/save-table'
import { saveText } from '../shell/save-text'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import ActionMenu from '../ui/ActionMenu.vue'
import { fileOf } from '../ui/field-text'
import { withKept } from './buy-edit'

const { receipt } = defineProps<{ receipt: Receipt }>()
const plan = useOpenPlan()

const [store, shelf, notices] = [usePlanStore(), useShelf(), useNotices()]
const price = usePrice()
const picker = useTemplateRef<HTMLInputElement>('picker')

const openText = (): string =>
  billText(
    `To buy for ${plan.value.name}`,
    { lines: toBuy(receipt, plan.value.buy) },
    price,
    plan.value.units,
  )

async function share(): Promise<void> {
  const text = openText()
  try {
    if ('share' in navigator) await navigator.share({ title: plan.value.name, text })
    else {
      await (navigator as Navigator).clipboard.writeText(text)
      notices.show({ kind: 'done', text: 'The list is on the clipboard: paste it where you like.' })
    }
  } catch (error) {
    // Closing the dialog of the system is no fault.
    if (error instanceof DOMException && error.name === 'AbortError') return
    saveText(`${plan.value.name} to buy.txt`, text, 'text/plain')
    notices.show({
      kind: 'done',
      text: 'The browser shares nothing here: the list is saved as a text file instead.',
    })
  }
}

async function readPrices(event: Event): Promise<void> {
  const file = fileOf(event)
  if (file === undefined) return
  try {
    const read = readPriceList(await file.text())
    if (!read.ok) {
      notices.show({
        kind: 'problem',
        text: `“${file.name}” was not read: nothing has changed.`,
        details: read.issues
          .slice(0, 12)
          .map(({ row, column, message }) => `row ${String(row)}, ${column}: ${message}`),
      })
      return
    }
    store.commit(
      [{ do: 'set-buy', buy: { prices: withKept(plan.value.buy.prices, read.prices) } }],
      {
        label: 'prices from a list',
      },
    )
    await shelf.keepPrices(read.prices)
    notices.show({
      kind: 'done',
      text: `Prices of ${plural(read.prices.length, 'thing')} are yours now, in every plan.`,
    })
  } catch (error) {
    notices.show({ kind: 'problem', text: `“${file.name}” was not read: ${messageOf(error)}` })
  }
}

const print = (): void => {
  window.print()
}
const actions = [
  { label: 'Share what is to buy', run: share },
  {
    label: 'What is to buy as text',
    run: () => {
      saveText(`${plan.value.name} to buy.txt`, openText(), 'text/plain')
    },
  },
  {
    label: 'The bill as CSV',
    run: () => {
      saveTable(`${plan.value.name} bill`, billTable(receipt, plan.value.buy.currency))
    },
  },
  { label: 'Print the bill', run: print },
  {
    label: 'Save the price list',
    run: () => {
      saveTable(`${plan.value.name} prices`, priceTable(receipt.lines))
    },
  },
  {
    label: 'Read a price list …',
    run: () => {
      picker.value?.click()
    },
  },
]
</script>

<template>
  <ActionMenu :actions="actions"><Share2 :size="14" /> Share</ActionMenu>
  <input
    ref="picker"
    type="file"
    accept=".csv,.txt,text/csv"
    class="hidden"
    aria-label="Price list"
    @change="readPrices"
  />
</template>
