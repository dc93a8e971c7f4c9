import { MOST_CHARACTERS } from './pasted'

/** Files larger than this are no lists of people. */
const MOST_BYTES = 4 * MOST_CHARACTERS

/** What keeps a file from being read; each has a sentence under `intake.file`. */
export class UnreadableFile extends Error {
  constructor(readonly why: 'large' | 'kind') {
    super(why)
  }
}

/**
 * The text of a list in a file, as spreadsheets and editors write it: UTF-8, UTF-16 with its mark, or Windows-1252.
 *
 * @throws UnreadableFile where it is too large, or no text
 */
export async function textOfFile(file: File): Promise<string> {
  if (file.size > MOST_BYTES) throw new UnreadableFile('large')
  const bytes = new Uint8Array(await file.arrayBuffer())
  const utf16 =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : ''
  if (utf16) return new TextDecoder(utf16).decode(bytes)
  // Workbooks, pictures and the like have zeros among their first bytes; text has none.
  if (bytes.subarray(0, 4_096).includes(0)) throw new UnreadableFile('kind')
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}
