import { expose } from 'comlink'
import type { OutlineResult } from '../../formats/outline'
import { readDxfOutline } from '../../formats/outline-dxf'
import { readSvgOutline } from '../../formats/outline-svg'

const service = {
  /** Reads an outline file by what it holds; its name does not matter. */
  read(text: string): OutlineResult {
    return /^\s*(?:<\?xml|<!DOCTYPE|<!--|<svg|\uFEFF<)/i.test(text)
      ? readSvgOutline(text)
      : readDxfOutline(text)
  },
}

export type OutlineService = typeof service

expose(service)
