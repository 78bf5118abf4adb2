import { computed, type Ref, type WritableComputedRef } from 'vue'
import { useAddress } from './address'

/** Which of a page's views is shown, as its address says. */
export const useView = <View extends string>(
  views: readonly { readonly value: View }[],
  first: View,
): Ref<View> => useAddress('view', first, { among: views.map(({ value }) => value), asStep: true })

/** The views of a page that are its sheets in a narrow window, one at a time; the tally is one more. */
export function useSheetView<View extends string>(
  views: readonly { readonly value: View }[],
  first: View,
): { readonly sheet: Ref<string>; readonly view: WritableComputedRef<View> } {
  const sheet = useView<string>([...views, { value: 'tally' }], first)
  const view = computed<View>({
    // The tally stands beside the first view.
    get: () => (sheet.value === 'tally' ? first : (sheet.value as View)),
    set: (value) => {
      sheet.value = value
    },
  })
  return { sheet, view }
}
