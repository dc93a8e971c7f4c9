/** A short code from a name that none of those taken is. */
export function codeFrom(name: string, taken: readonly string[]): string {
  const plain = name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 28)
    .replace(/-[^-]*$/, (rest) => (name.length > 28 ? '' : rest))
  const first = plain.length > 1 ? plain : `part-${plain}`.replace(/-$/, '')
  let code = first
  for (let n = 2; taken.includes(code); n++) code = `${first}-${n}`
  return code
}
