import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { csv, type CsvStyle, type Table } from '../../formats/csv'
import { saveText } from './save-text'

/** What the spreadsheets of this device expect between cells. */
export const separators = [
  { value: ',', label: 'comma' },
  { value: ';', label: 'semicolon, decimal comma' },
  { value: '\t', label: 'tab' },
] as const satisfies readonly { value: CsvStyle['separator']; label: string }[]

const kept = useLocalStorage<string>('glow-tally csv separator', ',', { onError: () => undefined })

export const csvSeparator = computed<CsvStyle['separator']>({
  get: () => separators.find(({ value }) => value === kept.value)?.value ?? ',',
  set: (value) => {
    kept.value = value
  },
})

/** Hands a table to the browser as a CSV file that a spreadsheet opens right. */
export const saveTable = (name: string, table: Table): void => {
  saveText(`${name}.csv`, csv(table, { separator: csvSeparator.value, hasMark: true }), 'text/csv')
}
