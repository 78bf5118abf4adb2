import { expect, test } from 'vitest'
import { createApp, nextTick, type Ref } from 'vue'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { useAddress } from './address'

const page = { render: () => null }

/** A router whose page "slow" is let in when the test says so. */
async function open(): Promise<{ router: Router; letIn: () => void; view: Ref<string> }> {
  let letIn = (): void => undefined
  const gate = new Promise<void>((resolve) => {
    letIn = resolve
  })
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/here', name: 'here', component: page },
      { path: '/there', name: 'there', component: page },
      { path: '/slow', name: 'slow', component: page, beforeEnter: () => gate },
    ],
  })
  await router.push('/here')
  const app = createApp(page)
  app.use(router)
  const view = app.runWithContext(() => useAddress('view', 'first'))
  return { router, view, letIn }
}

/** Waits until every guard that does not itself wait has run. */
const settle = async (): Promise<void> => {
  await new Promise((resolve) => setTimeout(resolve, 5))
}

test('a value is written into the address, and read from it', async () => {
  const { router, view } = await open()
  view.value = 'second'
  await settle()
  expect(router.currentRoute.value.fullPath).toBe('/here?view=second')
  await router.push('/here?view=third')
  await nextTick()
  expect(view.value).toBe('third')
  view.value = 'first'
  await settle()
  expect(router.currentRoute.value.fullPath).toBe('/here')
})

test('a change on the way to another page does not call that page off', async () => {
  const { router, view, letIn } = await open()
  view.value = 'third'
  await settle()
  const arrival = router.push('/slow')
  await settle()
  view.value = 'second'
  await settle()
  letIn()
  expect(await arrival).toBeUndefined()
  await settle()
  // The value belonged to the page before: it is not in the new address, and the old page still shows it.
  expect(view.value).toBe('second')
  expect(router.currentRoute.value.fullPath).toBe('/slow')
})

test('nor does it where a page before that one was called off', async () => {
  const { router, view, letIn } = await open()
  const first = router.push('/there?slowly')
  const second = router.push('/slow')
  await first
  view.value = 'second'
  await settle()
  letIn()
  expect(await second).toBeUndefined()
  expect(router.currentRoute.value.fullPath).toBe('/slow')
})
