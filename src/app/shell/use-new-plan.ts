import { useRouter } from 'vue-router'
import { deviceCurrency } from '../stores/device-currency'
import { useShelf } from '../stores/shelf'
import { typeAhead } from '../stores/type-ahead'

/** Puts an empty plan on the shelf and opens it; what is typed meanwhile is not lost. */
export function useNewPlan(): () => Promise<void> {
  const { shelf } = useShelf()
  const router = useRouter()
  return async () => {
    typeAhead.begin()
    const id = await shelf.addEmpty({ currency: deviceCurrency.value })
    await router.push({ name: 'measure', params: { id } })
  }
}
