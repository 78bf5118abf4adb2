import { useNotices } from './notices'

/** A part of the app could not be loaded: there is no network, or the app was updated and the old part is gone. */
export function tellMissingPart(): void {
  useNotices().show({
    kind: 'problem',
    text: 'A part of this app could not be loaded. The app may have been updated, or there is no network. Nothing is lost: your plans are in this browser.',
    actions: [
      {
        label: 'Reload',
        run: () => {
          location.reload()
        },
      },
    ],
  })
}
