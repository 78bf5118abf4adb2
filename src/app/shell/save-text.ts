/** Hands a text to the browser as a file to keep. */
export const saveText = (name: string, text: string, type: string): void => {
  saveBlob(name, new Blob([text], { type }))
}

/** The same for bytes. */
export function saveBlob(name: string, blob: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = fileName(name)
  link.click()
  URL.revokeObjectURL(link.href)
}

/** A name as a file's: letters and digits of any script, the rest but the ending as hyphens. */
function fileName(name: string): string {
  const [, stem = name, ending = ''] = /^(.*?)(\.[a-z]+)?$/.exec(name) ?? []
  const plain = stem
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, '-')
    .replaceAll(/^-|-$/g, '')
  return (plain || 'plan') + ending
}
