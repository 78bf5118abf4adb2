import { mix, soft, triangle } from '../fixed'
import { colour, dim, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '3000 K' },
  {
    id: 'time',
    name: 'From end to end',
    kind: 'number',
    unit: 's',
    least: 0.2,
    most: 600,
    usual: 4,
  },
  { id: 'edge', name: 'Soft edge', kind: 'number', unit: 'mm', least: 1, most: 2_000, usual: 150 },
  {
    id: 'from',
    name: 'From',
    kind: 'choice',
    options: ['start', 'end', 'middle', 'both ends'],
    usual: 'start',
  },
  {
    id: 'then',
    name: 'Then',
    kind: 'choice',
    options: ['stays lit', 'goes back', 'starts again'],
    usual: 'stays lit',
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const wipe: Pattern = {
  id: 'wipe',
  name: 'Wipe',
  about: 'Fills from one end, the middle or both ends.',
  parameters,
  memory: 0,
  frame: 1,
  begin({ p, f, length }, ms) {
    const time = p[at.time] ?? 1
    const then = p[at.then] ?? 0
    const gone = then === 0 && ms >= time ? time : ms % (then === 1 ? 2 * time : time)
    const share =
      then === 1
        ? triangle(Math.floor((gone * 65_535) / (2 * time)))
        : Math.floor((gone * 65_535) / time)
    const way = (p[at.from] ?? 0) >= 2 ? (length >> 1) + 1 : length
    f[0] = share === 0 ? -1 : Math.floor(((way + (p[at.edge] ?? 1)) * share) / 65_535)
  },
  pixel(layer, u, _v, _k, paint) {
    const { p, f, length } = layer
    const from = p[at.from] ?? 0
    const half = Math.abs(2 * u - length) >> 1
    const place =
      from === 0 ? u : from === 1 ? length - u : from === 2 ? half : (length >> 1) - half
    const edge = p[at.edge] ?? 1
    const ahead = (f[0] ?? 0) - place
    const level =
      ahead <= 0
        ? 0
        : ahead >= edge
          ? 65_535
          : soft(mix(0, 65_535, Math.floor((ahead * 65_535) / edge)))
    colour(layer, at.colour, paint)
    dim(paint, level)
  },
  c: {
    begin: `uint32_t time = (uint32_t)l->p[${String(at.time)}], then = (uint32_t)l->p[${String(at.then)}];
  uint32_t gone = then == 0u && ms >= time ? time : ms % (then == 1u ? 2u * time : time);
  uint32_t part = then == 1u ? triangle((uint32_t)((uint64_t)gone * 65535u / (2u * time))) : (uint32_t)((uint64_t)gone * 65535u / time);
  int32_t way = l->p[${String(at.from)}] >= 2 ? (l->length >> 1) + 1 : l->length;
  l->f[0] = part == 0u ? -1 : (int32_t)((uint64_t)(uint32_t)(way + l->p[${String(at.edge)}]) * part / 65535u);`,
    pixel: `int32_t from = l->p[${String(at.from)}], off = 2 * u - l->length, half = (off < 0 ? -off : off) >> 1;
  int32_t place = from == 0 ? u : from == 1 ? l->length - u : from == 2 ? half : (l->length >> 1) - half;
  int32_t edge = l->p[${String(at.edge)}], ahead = l->f[0] - place;
  uint32_t level = ahead <= 0 ? 0u : ahead >= edge ? FULL : soft(mix(0u, FULL, (uint32_t)ahead * FULL / (uint32_t)edge));
  colour(l, ${String(at.colour)}, c); dim(c, level);`,
  },
}
