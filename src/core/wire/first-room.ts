/** Rooms in a row, of which the first with so much left is found in the time of a few looks, however many there are. */
export class Rooms {
  /** The most that is left below each node of a binary tree; its leaves, from `half` on, are the rooms. */
  private readonly most: Float64Array
  private readonly half: number

  /** @param count how many rooms there can be; each has nothing left until it is {@link set} */
  constructor(count: number) {
    this.half = 2 ** Math.ceil(Math.log2(Math.max(1, count)))
    this.most = new Float64Array(2 * this.half).fill(-1)
  }

  set(room: number, left: number): void {
    let node = this.half + room
    this.most[node] = left
    while (node > 1) {
      node >>= 1
      this.most[node] = Math.max(this.most[2 * node] ?? -1, this.most[2 * node + 1] ?? -1)
    }
  }

  /** The first room with at least so much left, or -1. */
  first(need: number): number {
    if ((this.most[1] ?? -1) < need) return -1
    let node = 1
    while (node < this.half) {
      node *= 2
      if ((this.most[node] ?? -1) < need) node += 1
    }
    return node - this.half
  }
}
