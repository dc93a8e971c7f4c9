import { saveAs } from './saveAs'

/**
 * Tables in files: workbooks of spreadsheets (.xlsx) written and read, and text with separators read. What does it is
 * large, and is fetched when somebody has such a file.
 */
const WORKBOOK = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
/** Bytes; a file that is larger is no list of people. */
const LARGEST = 5_000_000

/** Rows as a workbook of one sheet, the first row standing out. Cells are text: nothing is taken for a formula. */
export async function workbookOf(sheet: string, rows: string[][]): Promise<ArrayBuffer> {
  const { Workbook } = (await import('exceljs')).default
  const book = new Workbook()
  // What the name of a sheet cannot have.
  const page = book.addWorksheet(
    sheet
      .replaceAll(/[*?:\\/[\]]/g, ' ')
      .slice(0, 31)
      .trim() || 'Sheet',
    {
      views: [{ state: 'frozen', ySplit: 1 }],
    },
  )
  page.addRows(rows)
  page.getRow(1).font = { bold: true }
  page.columns.forEach((column, n) => {
    column.width = Math.min(40, 2 + Math.max(...rows.map((row) => row[n]?.length ?? 0)))
    column.numFmt = '@'
  })
  return (await book.xlsx.writeBuffer()) as ArrayBuffer
}

/** Hands rows to the browser as a workbook. */
export async function downloadWorkbook(file: string, sheet: string, rows: string[][]) {
  saveAs(file, await workbookOf(sheet, rows), WORKBOOK)
}

/**
 * The rows of a file: of the first sheet of a workbook, or of text with commas, semicolons or tabs. Empty rows are left
 * out, and nothing comes of a file that is neither.
 */
export async function tableOf(file: File): Promise<string[][]> {
  if (file.size > LARGEST) return []
  const bytes = await file.arrayBuffer()
  const start = new TextDecoder('latin1').decode(bytes.slice(0, 2))
  try {
    return (start === 'PK' ? await sheetOf(bytes) : await textOf(bytes))
      .map((row) => row.map((cell) => cell.trim()))
      .filter((row) => row.some(Boolean))
  } catch {
    return []
  }
}

async function sheetOf(bytes: ArrayBuffer): Promise<string[][]> {
  const { Workbook } = (await import('exceljs')).default
  const book = new Workbook()
  await book.xlsx.load(bytes)
  const rows: string[][] = []
  book.worksheets[0]?.eachRow((row) => {
    const cells: string[] = []
    row.eachCell({ includeEmpty: true }, (cell, n) => (cells[n - 1] = cell.text))
    rows.push(Array.from(cells, (cell) => cell ?? ''))
  })
  return rows
}

async function textOf(bytes: ArrayBuffer): Promise<string[][]> {
  const text = new TextDecoder().decode(bytes)
  // What has bytes of nothing in it is no text.
  if (text.includes('\0')) return []
  const { parse } = (await import('papaparse')).default
  return parse<string[]>(text, { skipEmptyLines: true }).data
}
