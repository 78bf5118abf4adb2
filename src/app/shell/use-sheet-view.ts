import { computed, ref, type Ref, type WritableComputedRef } from 'vue'

/** The views of a page. In a narrow window they are its sheets, one at a time, and the tally is one more. */
export function useSheetView<View extends string>(
  first: View,
): { readonly sheet: Ref<string>; readonly view: WritableComputedRef<View> } {
  const sheet = ref<string>(first)
  const view = computed<View>({
    // The tally stands beside the first view.
    get: () => (sheet.value === 'tally' ? first : (sheet.value as View)),
    set: (value) => {
      sheet.value = value
    },
  })
  return { sheet, view }
}
