/** For readers of TypeScript that do not know .vue files; those that do (vue-tsc, the build) never come here. */
declare module '*.vue' {
  import type { DefineComponent } from 'vue'

  const component: DefineComponent
  export default component
}
