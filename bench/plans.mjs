// Judges what bench/plans.php planned, by linear programs of another maker (HiGHS, MIT; not in the product): first how
// few can find no place, then how few can get the last of their wishes, and so on, each among the ways that are best so
// far. Those ways are a face of a flow's polytope, whose corners are whole, so that the program's optimum is exact.
import { readdirSync, readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const [from, library] = process.argv.slice(2)
const { default: load } = await import(pathToFileURL(library).href)

/** The least of one count, with others as they are. */
async function least(highs, { ranks, places }, which, fixed) {
  const terms = new Map()
  const put = (rank, name) => terms.set(rank, [...(terms.get(rank) ?? []), name])
  const rows = []
  const into = places.map(() => [])
  ranks.forEach((own, p) => {
    const all = [`n${p}`]
    put('nowhere', `n${p}`)
    own.forEach((rank, s) => {
      if (rank === null) return
      all.push(`x${p}_${s}`)
      into[s].push(`x${p}_${s}`)
      put(String(rank), `x${p}_${s}`)
    })
    rows.push(`${all.join(' + ')} = 1`)
  })
  into.forEach((all, s) => all.length && rows.push(`${all.join(' + ')} <= ${places[s]}`))
  for (const [rank, n] of fixed) if (terms.has(rank)) rows.push(`${terms.get(rank).join(' + ')} = ${n}`)
  const wanted = terms.get(which)
  if (!wanted) return 0
  // Lines of a file of this kind have a limit.
  const broken = (text) => text.replaceAll(' + ', '\n + ')
  const program = `Minimize\n obj: ${broken(wanted.join(' + '))}\nSubject To\n${rows.map(broken).join('\n')}\nEnd\n`
  const found = highs.solve(program, { time_limit: 120 })
  if (found.Status !== 'Optimal') throw new Error(`the judge says ${found.Status}`)
  return Math.round(found.ObjectiveValue)
}

let wrong = 0
for (const file of readdirSync(from).sort()) {
  const instance = JSON.parse(readFileSync(`${from}/${file}`, 'utf8'))
  const worst = Math.max(...instance.ranks.flat().map((rank) => rank ?? 0))
  const fixed = []
  const said = []
  for (const which of ['nowhere', ...Array.from({ length: worst - 1 }, (_, k) => String(worst - k))]) {
    // A fresh one each time: what it keeps of the last is not given back.
    const n = await least(await load(), instance, which, fixed)
    const ours = instance.counts[which] ?? 0
    if (n !== ours) {
      wrong++
      said.push(`${which}: ${ours}, could be ${n}`)
      break
    }
    fixed.push([which, n])
  }
  console.log(`${file}: ${said.length ? said.join('; ') : 'as good as can be'}`)
}
console.log(wrong ? `${wrong} are not the best` : 'all are the best there is')
process.exit(wrong ? 1 : 0)
