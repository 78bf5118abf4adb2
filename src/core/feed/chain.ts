/**
 * The loads of a run between two ports, or between a port and an open end, as a chain of nodes. Each node is a pair: plus and minus rail.
 *
 *     port L ─G₀─ x₁ ─G₁─ x₂ ─ … ─ xₘ ─Gₘ─ port R
 *                 ╎       ╎         ╎
 *                load    load      load      (between the two rails)
 *
 * A link is a conductance for each rail. A load is linear here: current = g (P − M) + c, from plus to minus. Eliminating the nodes from
 * left to right leaves a 4 × 4 relation between the ports and what is needed to find the nodes again.
 *
 * All values of node k stand at k of each array; 2 × 2 matrices are row by row.
 */
export interface Chain {
  readonly first: number
  readonly count: number
  /** Conductance, S, of the links before each node and, at `count`, behind the last; 0 where there is no port. */
  readonly linkP: Float64Array
  readonly linkM: Float64Array
  readonly hasPlus: boolean
  readonly hasMinus: boolean
}

/** What the elimination of a chain leaves: port equations Y u = s, u = (P, M) of the left and the right port. */
export interface Reduced {
  /** 4 × 4, row by row: left P, left M, right P, right M. */
  readonly y: Float64Array
  readonly s: Float64Array
}

/** Working arrays for chains of up to `size` nodes: inverse of each pivot (3: symmetric), coupling to the left port (4), source (2). */
export class ChainSpace {
  readonly inverse: Float64Array
  readonly coupling: Float64Array
  readonly source: Float64Array

  constructor(size: number) {
    this.inverse = new Float64Array(3 * size)
    this.coupling = new Float64Array(4 * size)
    this.source = new Float64Array(2 * size)
  }
}

/** Eliminates the nodes of a chain, left to right; `g` and `c` are those of its loads, by node of the whole network. */
export function reduce(chain: Chain, g: Float64Array, c: Float64Array, space: ChainSpace): Reduced {
  const { first, count, linkP, linkM, hasPlus, hasMinus } = chain
  const { inverse, coupling, source } = space
  const y = new Float64Array(16)
  const s = new Float64Array(4)
  const leftP = linkP[0] ?? 0
  const leftM = linkM[0] ?? 0

  // What the node before hands on: its pivot's inverse (a b / b d), coupling and source. Plain variables and indices throughout: this is
  // where the time of a large network goes.
  let ia = 0
  let ib = 0
  let id = 0
  let w0 = leftP
  let w1 = 0
  let w2 = 0
  let w3 = leftM
  let s0 = 0
  let s1 = 0
  let y00 = leftP
  let y01 = 0
  let y11 = leftM
  let sP = 0
  let sM = 0
  // A rail that is connected to nothing is held at 0 V by itself.
  const alonePlus = hasPlus ? 0 : 1
  const aloneMinus = hasMinus ? 0 : 1
  let beforeP = leftP
  let beforeM = leftM
  for (let k = 0; k < count; k += 1) {
    const node = first + k
    const behindP = linkP[k + 1] ?? 0
    const behindM = linkM[k + 1] ?? 0
    const load = g[node] ?? 0
    const constant = c[node] ?? 0
    let a = beforeP + behindP + load + alonePlus
    let b = -load
    let d = beforeM + behindM + load + aloneMinus
    let t0 = -constant
    let t1 = constant
    if (k > 0) {
      a -= beforeP * ia * beforeP
      b -= beforeP * ib * beforeM
      d -= beforeM * id * beforeM
      t0 += beforeP * (ia * s0 + ib * s1)
      t1 += beforeM * (ib * s0 + id * s1)
      const v0 = w0
      const v1 = w1
      w0 = beforeP * (ia * v0 + ib * w2)
      w1 = beforeP * (ia * v1 + ib * w3)
      w2 = beforeM * (ib * v0 + id * w2)
      w3 = beforeM * (ib * v1 + id * w3)
    }
    s0 = t0
    s1 = t1
    const determinant = a * d - b * b
    ia = d / determinant
    ib = -b / determinant
    id = a / determinant
    inverse[3 * node] = ia
    inverse[3 * node + 1] = ib
    inverse[3 * node + 2] = id
    coupling[4 * node] = w0
    coupling[4 * node + 1] = w1
    coupling[4 * node + 2] = w2
    coupling[4 * node + 3] = w3
    source[2 * node] = s0
    source[2 * node + 1] = s1

    // The left port: Y −= Wᵀ D⁻¹ W, s += Wᵀ D⁻¹ source.
    const p0 = ia * w0 + ib * w2
    const p1 = ia * w1 + ib * w3
    const q0 = ib * w0 + id * w2
    const q1 = ib * w1 + id * w3
    y00 -= w0 * p0 + w2 * q0
    y01 -= w0 * p1 + w2 * q1
    y11 -= w1 * p1 + w3 * q1
    sP += p0 * s0 + q0 * s1
    sM += p1 * s0 + q1 * s1
    beforeP = behindP
    beforeM = behindM
  }
  y[0] = y00
  y[1] = y01
  y[5] = y11
  s[0] = sP
  s[1] = sM
  // The right port, through the last link.
  const [rightP = 0, rightM = 0] = [linkP[count], linkM[count]]
  y[10] = rightP - rightP * ia * rightP
  y[11] = -rightP * ib * rightM
  y[15] = rightM - rightM * id * rightM
  s[2] = rightP * (ia * s0 + ib * s1)
  s[3] = rightM * (ib * s0 + id * s1)
  y[2] = -(ia * w0 + ib * w2) * rightP
  y[3] = -(ib * w0 + id * w2) * rightM
  y[6] = -(ia * w1 + ib * w3) * rightP
  y[7] = -(ib * w1 + id * w3) * rightM
  y[4] = y01
  y[8] = y[2]
  y[9] = y[6]
  y[12] = y[3]
  y[13] = y[7]
  y[14] = y[11]
  return { y, s }
}

/** Finds the nodes of a chain from its ports, right to left. */
export function restore(
  { first, count, linkP, linkM }: Chain,
  { inverse, coupling, source }: ChainSpace,
  left: readonly [number, number],
  right: readonly [number, number],
  plus: Float64Array,
  minus: Float64Array,
): void {
  let [nextP, nextM] = right
  const [leftP, leftM] = left
  for (let k = count - 1; k >= 0; k -= 1) {
    const node = first + k
    const ib = inverse[3 * node + 1] ?? 0
    const r0 =
      (source[2 * node] ?? 0) +
      (linkP[k + 1] ?? 0) * nextP +
      (coupling[4 * node] ?? 0) * leftP +
      (coupling[4 * node + 1] ?? 0) * leftM
    const r1 =
      (source[2 * node + 1] ?? 0) +
      (linkM[k + 1] ?? 0) * nextM +
      (coupling[4 * node + 2] ?? 0) * leftP +
      (coupling[4 * node + 3] ?? 0) * leftM
    nextP = (inverse[3 * node] ?? 0) * r0 + ib * r1
    nextM = ib * r0 + (inverse[3 * node + 2] ?? 0) * r1
    plus[node] = nextP
    minus[node] = nextM
  }
}
