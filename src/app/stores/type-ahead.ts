/** Letters that are typed before the field is there that they are meant for. */
class TypeAhead {
  private typed: string | undefined

  private readonly onKey = (event: KeyboardEvent): void => {
    const { key, ctrlKey, metaKey, altKey, target } = event
    if (this.typed === undefined || ctrlKey || metaKey || altKey) return
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) return
    if (key === 'Backspace') this.typed = this.typed.slice(0, -1)
    else if (key.length === 1) this.typed += key
    else return
    // A space would press the button that is still focused.
    event.preventDefault()
    event.stopPropagation()
  }

  /** Gathers from here on. */
  begin(): void {
    if (this.typed === undefined) addEventListener('keydown', this.onKey, { capture: true })
    this.typed = ''
  }

  /** Ends gathering; gives back what was typed. */
  end(): string {
    const typed = this.typed ?? ''
    if (this.typed !== undefined) removeEventListener('keydown', this.onKey, { capture: true })
    this.typed = undefined
    return typed
  }
}

/** From “New plan” to its pad. */
export const typeAhead = new TypeAhead()
