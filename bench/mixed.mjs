// Judges what bench/mixed.php planned, by integer programs of another maker (HiGHS, MIT; not in the product): the least
// cost that keeps all conditions, within 60 seconds each. A plan is to be within 2 % of the judge's optimum; where it
// finds none in time, of its bound.
import { readdirSync, readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const [from, library] = process.argv.slice(2)
const SECONDS = 60
const NEAR = 1.02
const NUMBER = /-?[\d.]+(e[+-]?\d+)?/
const { default: load } = await import(pathToFileURL(library).href)

/** People who are together by way of any pair, as one. */
function unitsOf({ costs, together }) {
  const first = costs.map((_, n) => n)
  const root = (n) => (first[n] === n ? n : root(first[n]))
  for (const [a, b] of together) first[Math.max(root(a), root(b))] = Math.min(root(a), root(b))
  return costs.map((_, n) => root(n))
}

/** The program in the text form of linear programs, a term a line: lines of it have a limit. */
function programOf(instance) {
  const { costs, nowhere, places, least, apart, kinds, tolerance } = instance
  const unit = unitsOf(instance)
  const members = new Map()
  unit.forEach((root, n) => members.set(root, [...(members.get(root) ?? []), n]))
  const into = places.map(() => [])
  const of = places.map(() => new Map())
  const target = []
  const rows = []
  const whole = []
  const x = (u, s) => `x${u}_${s}`
  const can = (u, s) => members.get(u).every((n) => costs[n][s] !== null)
  for (const [u, own] of members) {
    const all = [`n${u}`]
    target.push(`${own.length * nowhere} n${u}`)
    places.forEach((_, s) => {
      if (!can(u, s)) return
      all.push(x(u, s))
      whole.push(x(u, s))
      into[s].push(`${own.length} ${x(u, s)}`)
      const cost = own.reduce((sum, n) => sum + costs[n][s], 0)
      if (cost) target.push(`${cost} ${x(u, s)}`)
      for (const n of own) {
        const counted = of[s].get(kinds[n]) ?? new Map()
        counted.set(u, (counted.get(u) ?? 0) + 1)
        of[s].set(kinds[n], counted)
      }
    })
    rows.push(`${all.join('\n + ')} = 1`)
  }
  places.forEach((most, s) => {
    if (!into[s].length) return
    const held = into[s].join('\n + ')
    whole.push(`y${s}`)
    rows.push(`${held}\n - ${most} y${s} <= 0`, `${held}\n - ${least[s]} y${s} >= 0`)
  })
  for (const [a, b] of apart)
    places.forEach((_, s) => {
      if (unit[a] === unit[b]) rows.push(`n${unit[a]} = 1`)
      else if (can(unit[a], s) && can(unit[b], s)) rows.push(`${x(unit[a], s)} + ${x(unit[b], s)} <= 1`)
    })
  const everybody = costs.length
  for (const kind of new Set(kinds)) {
    const share = kinds.filter((own) => own === kind).length
    places.forEach((_, s) => {
      const terms = []
      for (const [u, own] of members)
        if (can(u, s)) {
          const n = (of[s].get(kind)?.get(u) ?? 0) * everybody - own.length * share
          if (n) terms.push(`${n < 0 ? '-' : '+'} ${Math.abs(n)} ${x(u, s)}`)
        }
      if (!terms.length) return
      const off = terms.join('\n ')
      rows.push(`${off} <= ${tolerance * everybody}`, `${off} >= -${tolerance * everybody}`)
    })
  }
  return `Minimize\n obj: ${target.join('\n + ')}\nSubject To\n${rows.join('\n')}\nBinary\n${whole.join('\n')}\nEnd\n`
}

let far = 0
for (const file of readdirSync(from).sort()) {
  const instance = JSON.parse(readFileSync(`${from}/${file}`, 'utf8'))
  const said = []
  const highs = await load({ print: (line) => said.push(line), printErr: () => undefined })
  const began = Date.now()
  const found = highs.solve(programOf(instance), { time_limit: SECONDS, output_flag: true, log_to_console: true })
  const seconds = ((Date.now() - began) / 1000).toFixed(0)
  const number = (name) => Number(said.findLast((line) => line.includes(name))?.match(NUMBER)?.[0] ?? NaN)
  const best = number('Primal bound')
  const bound = number('Dual bound')
  const near = instance.cost <= NEAR * (found.Status === 'Optimal' ? best : bound)
  if (!near) far++
  const judged = `${found.Status} after ${seconds} s: ${best}, its bound ${bound}`
  console.log(`${file}: ${instance.cost}; judge: ${judged}${near ? '' : ' TOO FAR'}`)
}
console.log(far ? `${far} are too far from the best` : 'all are within 2 %')
process.exit(far ? 1 : 0)
