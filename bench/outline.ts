import { readDxfOutline } from '../src/formats/outline-dxf'
import { traceOf } from '../src/formats/outline'

/** Time of reading an outline of 50,000 vertices, and of making it fit for a plan. */
export function outlineBench(): void {
  const vertices = Array.from({ length: 50_000 }, (_, index) => {
    const angle = (index / 50_000) * 2 * Math.PI
    const r = 500 + 20 * Math.sin(40 * angle)
    return `10\n${(r * Math.cos(angle)).toFixed(4)}\n20\n${(r * Math.sin(angle)).toFixed(4)}`
  })
  const text = `0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n90\n50000\n70\n1\n${vertices.join('\n')}\n0\nENDSEC\n0\nEOF`
  const start = performance.now()
  const read = readDxfOutline(text)
  const readMs = performance.now() - start
  if (!read.ok) throw new Error(read.message)
  const trace = traceOf(read.outline, 1, 'bench')
  const points = trace.courses.reduce((sum, course) => sum + course.points.length, 0)
  console.log(
    `50,000 vertices: read in ${readMs.toFixed(0)} ms, made simpler to ${String(points)} points in ${(performance.now() - start - readMs).toFixed(0)} ms`,
  )
}
