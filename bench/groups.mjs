// Judges groups that were computed, by integer programs of another maker (HiGHS, MIT; not in the product): the best
// that it finds within 60 seconds. What must be kept is kept where the judge keeps it; the rest is to be within 2 % of
// the judge's best, and as good where there are 60 people or fewer. Of more than 130 people the program is too large.
import { readdirSync, readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const [from, library] = process.argv.slice(2)
const SECONDS = 60
const LARGE = 130
const FEW = 60
const NEAR = 1.02
const NUMBER = /-?[\d.]+(e[+-]?\d+)?/
const { default: load } = await import(pathToFileURL(library).href)

/** The program in the text form of linear programs, a term a line: lines of it have a limit. */
function programOf({ people, sizes, counts, even, pairs, met }) {
  const x = (p, g) => `x${p}_${g}`
  const groups = sizes.map((_, g) => g)
  const sum = (who, g) => who.map((p) => x(p, g)).join('\n + ')
  const target = []
  const rows = []
  const free = []
  let made = 0
  const slack = (weight) => {
    const name = `s${made++}`
    target.push(`${weight} ${name}`)
    return name
  }
  const everybody = Array.from({ length: people }, (_, p) => p)
  for (const p of everybody) rows.push(`${groups.map((g) => x(p, g)).join('\n + ')} = 1`)
  sizes.forEach(([least, most], g) => rows.push(`${sum(everybody, g)} >= ${least}`, `${sum(everybody, g)} <= ${most}`))
  for (const [who, least, most, weight] of counts.filter(([all]) => all.length))
    for (const g of groups) {
      const [under, over] = weight ? [` + ${slack(weight)}`, ` - ${slack(weight)}`] : ['', '']
      rows.push(`${sum(who, g)}${under} >= ${least}`, `${sum(who, g)}${over} <= ${most}`)
    }
  for (const [above, weight] of even)
    for (const g of groups) {
      const off = slack(weight)
      const terms = above.map((v, p) => (v ? `${v < 0 ? '-' : '+'} ${Math.abs(v)} ${x(p, g)}` : '')).filter(Boolean)
      if (terms.length) rows.push(`${terms.join('\n ')}\n - ${off} <= 0`, `${terms.join('\n ')}\n + ${off} >= 0`)
    }
  for (const [one, other, together, weight] of pairs) {
    const broken = weight ? slack(weight) : ''
    for (const g of groups) {
      if (together) rows.push(`${x(one, g)} - ${x(other, g)}${broken && ` - ${broken}`} ${broken ? '<=' : '='} 0`)
      else rows.push(`${x(one, g)} + ${x(other, g)}${broken && ` - ${broken}`} <= 1`)
    }
  }
  for (const [before, most, weight] of met)
    for (const who of before)
      for (const g of groups) {
        if (!weight) rows.push(`${sum(who, g)} <= ${most + 1}`)
        else {
          const again = slack(weight)
          const cost = (c) => c * Math.max(0, c - 1 - most)
          for (let c = most + 1; c < who.length; c++) {
            const slope = cost(c + 1) - cost(c)
            const terms = who.map((p) => `${slope} ${x(p, g)}`).join('\n + ')
            rows.push(`${terms}\n - ${again} <= ${slope * c - cost(c)}`)
          }
        }
      }
  free.push(...everybody.flatMap((p) => groups.map((g) => x(p, g))))
  const aim = target.join('\n + ')
  return `Minimize\n obj: ${aim}\nSubject To\n${rows.join('\n')}\nBinary\n${free.join('\n')}\nEnd\n`
}

let far = 0
for (const file of readdirSync(from).sort()) {
  const question = JSON.parse(readFileSync(`${from}/${file}`, 'utf8'))
  if (question.people > LARGE) continue
  const said = []
  const highs = await load({ print: (line) => said.push(line), printErr: () => undefined })
  const began = Date.now()
  const found = highs.solve(programOf(question), { time_limit: SECONDS, output_flag: true, log_to_console: true })
  const seconds = ((Date.now() - began) / 1000).toFixed(0)
  const number = (name) => Number(said.findLast((line) => line.includes(name))?.match(NUMBER)?.[0] ?? NaN)
  const best = number('Primal bound')
  const bound = number('Dual bound')
  const { broken, soft } = question.cost
  const has = Number.isFinite(best)
  const near = !has || (!broken && soft <= best * (question.people > FEW ? NEAR : 1) + 1e-6)
  if (!near) far++
  const judged = `${found.Status} after ${seconds} s: ${has ? best : 'none'}, its bound ${bound}`
  console.log(`${file}: ${soft}${broken ? `, ${broken} broken` : ''}; judge: ${judged}${near ? '' : ' TOO FAR'}`)
}
console.log(far ? `${far} are too far from the best` : 'all are near enough')
process.exit(far ? 1 : 0)
