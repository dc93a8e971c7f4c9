const key = (site: string) => 'mint-door.pasted.' + site

/** What was pasted and not let in yet is found again, until the browser is closed. */
export function keep(site: string, text: string) {
  if (text.trim()) sessionStorage.setItem(key(site), text)
  else sessionStorage.removeItem(key(site))
}

export const keptText = (site: string) => sessionStorage.getItem(key(site)) ?? ''

/** Whether a pasted text is a list rather than one person: several lines, rows of a spreadsheet, or several numbers. */
export const isList = (text: string) => /\S\s*[\r\n]+\s*\S/.test(text) || /^\s*\S*\d{4,}\S*(\s*[,;]\s*\S*\d{4,}\S*)+\s*$/.test(text)
