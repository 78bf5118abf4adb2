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
  const [leftP = 0, leftM = 0] = [linkP[0], linkM[0]]
  y[0] = leftP
  y[5] = leftM

  // What the node before hands on: its pivot's inverse (a b / b d), coupling and source.
  let [ia, ib, id] = [0, 0, 0]
  let [w0, w1, w2, w3] = [leftP, 0, 0, leftM]
  let [s0, s1] = [0, 0]
  for (let k = 0; k < count; k += 1) {
    const node = first + k
    const [beforeP = 0, beforeM = 0] = [linkP[k], linkM[k]]
    const [behindP = 0, behindM = 0] = [linkP[k + 1], linkM[k + 1]]
    const [load = 0, constant = 0] = [g[node], c[node]]
    // A rail that is connected to nothing is held at 0 V by itself.
    let a = beforeP + behindP + load + (hasPlus ? 0 : 1)
    let b = -load
    let d = beforeM + behindM + load + (hasMinus ? 0 : 1)
    let [t0, t1] = [-constant, constant]
    if (k > 0) {
      a -= beforeP * ia * beforeP
      b -= beforeP * ib * beforeM
      d -= beforeM * id * beforeM
      t0 += beforeP * (ia * s0 + ib * s1)
      t1 += beforeM * (ib * s0 + id * s1)
      const [v0, v1, v2, v3] = [w0, w1, w2, w3]
      w0 = beforeP * (ia * v0 + ib * v2)
      w1 = beforeP * (ia * v1 + ib * v3)
      w2 = beforeM * (ib * v0 + id * v2)
      w3 = beforeM * (ib * v1 + id * v3)
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
    const [p0, p1] = [ia * w0 + ib * w2, ia * w1 + ib * w3]
    const [q0, q1] = [ib * w0 + id * w2, ib * w1 + id * w3]
    y[0] -= w0 * p0 + w2 * q0
    y[1] = (y[1] ?? 0) - (w0 * p1 + w2 * q1)
    y[5] -= w1 * p1 + w3 * q1
    s[0] = (s[0] ?? 0) + p0 * s0 + q0 * s1
    s[1] = (s[1] ?? 0) + p1 * s0 + q1 * s1
  }
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
  y[4] = y[1] ?? 0
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
  for (let k = count - 1; k >= 0; k -= 1) {
    const node = first + k
    const [ia = 0, ib = 0, id = 0] = [
      inverse[3 * node],
      inverse[3 * node + 1],
      inverse[3 * node + 2],
    ]
    const r0 =
      (source[2 * node] ?? 0) +
      (linkP[k + 1] ?? 0) * nextP +
      (coupling[4 * node] ?? 0) * left[0] +
      (coupling[4 * node + 1] ?? 0) * left[1]
    const r1 =
      (source[2 * node + 1] ?? 0) +
      (linkM[k + 1] ?? 0) * nextM +
      (coupling[4 * node + 2] ?? 0) * left[0] +
      (coupling[4 * node + 3] ?? 0) * left[1]
    nextP = ia * r0 + ib * r1
    nextM = ib * r0 + id * r1
    plus[node] = nextP
    minus[node] = nextM
  }
}
