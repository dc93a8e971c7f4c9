/** Hands a text, or bytes, over to the browser as a file: `saveAs('list.txt', lines, 'application/x-ndjson')`. */
export function saveAs(file: string, text: BlobPart, type: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type }))
  link.download = file
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}
