/** The smallest number first. */
export class Heap {
  private readonly items: number[] = []

  push(item: number): void {
    const { items } = this
    let at = items.push(item) - 1
    while (at > 0) {
      const up = (at - 1) >> 1
      if ((items[up] ?? 0) <= item) break
      items[at] = items[up] ?? 0
      at = up
    }
    items[at] = item
  }

  /** The smallest, which stays. */
  get first(): number | undefined {
    return this.items[0]
  }

  pop(): number | undefined {
    const { items } = this
    const [top] = items
    const last = items.pop()
    if (last === undefined || items.length === 0) return top
    let at = 0
    for (;;) {
      let down = 2 * at + 1
      if (down >= items.length) break
      if ((items[down + 1] ?? Infinity) < (items[down] ?? Infinity)) down += 1
      if ((items[down] ?? Infinity) >= last) break
      items[at] = items[down] ?? 0
      at = down
    }
    items[at] = last
    return top
  }
}
