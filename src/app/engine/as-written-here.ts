import { decimalSignOf, writeDecimalsWith } from '../../core/quantity/format'

// Numbers as the browser's language writes them: imported by the page and by each worker that makes texts.
writeDecimalsWith(decimalSignOf(navigator.language))
