import { saveAs } from './saveAs'

/** A field of a CSV file (RFC 4180). What a spreadsheet would take for a formula gets an apostrophe in front. */
export function csvField(text: string): string {
  const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}

/** Rows as a CSV file, with a byte order mark so that spreadsheets read the letters right. */
export function csvFile(rows: string[][]): string {
  return '\uFEFF' + rows.map((row) => row.map(csvField).join(',')).join('\r\n') + '\r\n'
}

/** Rows as they go into a spreadsheet from the clipboard. */
export function tabbed(rows: string[][]): string {
  return rows
    .map((row) =>
      row.map((text) => (/^[=+\-@]/.test(text) ? `'${text}` : text).replaceAll(/[\t\r\n]+/g, ' ')).join('\t'),
    )
    .join('\n')
}

/** Hands rows to the browser as a CSV file. */
export function download(file: string, rows: string[][]) {
  saveAs(file, csvFile(rows), 'text/csv')
}
