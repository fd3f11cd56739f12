// Tries a sample of the changes of a folder, one at a time, against the tests of the core, the nearest and quickest first, and says how many a test notices.
//   try.mjs LIST BIN FOLDER COUNT SEED COMMIT OUT [near]
// LIST is the report that lists all changes, BIN the folder of built tests whose core holds them all, OUT a file to which each outcome is written as soon as it is known:
// a run that was cut short goes on from there, and what survived the tests of another commit is tried again.
// near: what survives the tests of the folder and the laws is not asked of the others; the next run does.
import { spawn } from 'node:child_process'
import { appendFileSync, existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'

const [list, bin, folder, count, seed, commit, out, near] = process.argv.slice(2)
const suite = join(bin, 'Altrin.Core.Tests.dll')
/** Of other matters; the longest searches and laws would take minutes a change. */
const longestClassSeconds = 8
const atOnce = 2
const theme = folder.split('/')[0]

/** A small generator with a seed (mulberry32), so that a sample can be taken again. */
function random(seed) {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), a | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

function changes() {
  const all = []
  let planted
  for (const [file, { source, mutants }] of Object.entries(JSON.parse(readFileSync(list, 'utf8')).files)) {
    const name = file.slice(file.lastIndexOf('Altrin.Core/') + 'Altrin.Core/'.length)
    const isPlanted = name === `${theme}/Planted.cs`
    if (!isPlanted && (!name.startsWith(`${folder}/`) || name.endsWith('/Planted.cs'))) continue
    const lines = source.split('\n')
    for (const one of mutants) {
      // What does not compile as changed is no change.
      if (one.status === 'CompileError') continue
      const change = {
        id: one.id,
        place: `${name}:${one.location.start.line}`,
        what: `${one.mutatorName} → ${one.replacement.replaceAll(/\s+/g, ' ').slice(0, 160)}`,
        line: lines[one.location.start.line - 1].trim(),
      }
      if (isPlanted) planted = change
      else all.push(change)
    }
  }
  if (!planted) throw new Error('The planted change is not in the list.')
  const next = random(Number(seed))
  for (let i = all.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1))
    ;[all[i], all[j]] = [all[j], all[i]]
  }
  return { planted, sample: all.slice(0, Number(count)), all: all.length }
}

/** 'passed', 'failed' or 'late'. */
function tests(change, args, seconds) {
  return new Promise((resolve) => {
    const child = spawn('dotnet', [suite, '-noColor', '-noLogo', '-trait-', 'kind=long', ...args], {
      stdio: 'ignore',
      detached: true,
      env: { ...process.env, ALTRIN_MUTATION: folder, STRYKER_MUTANT_ID_CONTROL_VAR: 'ALTRIN_CHANGE', ALTRIN_CHANGE: String(change), DOTNET_TieredPGO: '0', DOTNET_gcServer: '0' },
    })
    let isLate = false
    const clock = setTimeout(() => {
      isLate = true
      process.kill(-child.pid, 'SIGKILL')
    }, seconds * 1000)
    child.on('exit', (code) => {
      clearTimeout(clock)
      resolve(isLate ? 'late' : code === 0 ? 'passed' : 'failed')
    })
  })
}

/** The classes of tests in four rings: near (of the folder, the laws, the second simulator, the kernel's answers) and quick; the folder's own but for its longest; all that is near; all others. */
async function rings() {
  const file = join(dirname(out), `unchanged-${commit}.xml`)
  if (!existsSync(file)) await tests(-1, ['-result-xml', file], 1800)
  const seconds = new Map()
  // What falls on the code as it is, as a bound on time does where every expression asks whether it is changed, can tell nothing.
  const fallen = new Set()
  for (const [tag] of readFileSync(file, 'utf8').matchAll(/<test [^>]*>/g)) {
    const name = / type="([^"]*)"/.exec(tag)?.[1]
    seconds.set(name, (seconds.get(name) ?? 0) + Number(/ time="([^"]*)"/.exec(tag)?.[1]))
    if (/ result="Fail"/.test(tag)) fallen.add(name)
  }
  if (fallen.size > 5) throw new Error(`The tests do not pass on the code as it is; see ${file}.`)
  for (const name of fallen) {
    console.error(`Left out, for it falls on the code as it is: ${name}.`)
    seconds.delete(name)
  }
  const isNear = (name) => [theme, 'Laws', 'Slow', 'Kernel'].some((one) => name.startsWith(`Altrin.Core.Tests.${one}.`))
  const isOwn = (name) => name.startsWith(`Altrin.Core.Tests.${theme}.`)
  const ofClasses = [...seconds].sort((one, other) => one[1] - other[1])
  const of = (which) => {
    const chosen = ofClasses.filter(([name, time]) => which(name, time))
    return { classes: chosen.flatMap(([name]) => ['-class', name]), seconds: chosen.reduce((sum, [, time]) => sum + time, 0) }
  }
  return [
    of((name, time) => isNear(name) && time < 1),
    of((name, time) => isOwn(name) && time >= 1 && time < longestClassSeconds),
    of((name, time) => isNear(name) && time >= (isOwn(name) ? longestClassSeconds : 1)),
    of((name, time) => !isNear(name) && time < longestClassSeconds),
  ].filter((ring) => ring.classes.length > 0)
}

async function attempt(change, all) {
  for (const [n, ring] of all.entries()) {
    // Long: a busy machine must not be taken for a noticed change.
    const outcome = await tests(change.id, ['-stopOnFail', ...ring.classes], 60 + 10 * ring.seconds)
    if (outcome !== 'passed') return outcome === 'late' ? 'late' : `ring ${n + 1}`
  }
  return 'survived'
}

const { planted, sample, all } = changes()
const written = existsSync(out) ? readFileSync(out, 'utf8').trim().split('\n').map((line) => JSON.parse(line)) : []
const known = new Map(written.filter((one) => one.outcome !== 'survived' || one.commit === commit).map((one) => [one.id, one.outcome]))
const ringed = (await rings()).slice(0, near ? -1 : undefined)
console.error(`${sample.length} of ${all} changes; rings of ${ringed.map((ring) => `${ring.classes.length / 2} classes, ${ring.seconds.toFixed(1)} s`).join('; ')}.`)
// Nobody calls it: a run that sees it fall sees what is not there.
if ((await attempt(planted, ringed)) !== 'survived') throw new Error('The planted change was not seen to survive: this run can see no survivor.')

const waiting = sample.filter((one) => !known.has(one.id))
await Promise.all(
  Array.from({ length: atOnce }, async () => {
    for (let one = waiting.shift(); one; one = waiting.shift()) {
      const outcome = await attempt(one, ringed)
      known.set(one.id, outcome)
      appendFileSync(out, `${JSON.stringify({ ...one, outcome, commit: near ? 'near' : commit })}\n`)
    }
  }),
)

const outcomes = sample.map((one) => known.get(one.id))
const tally = (what) => outcomes.filter((one) => one === what).length
const survivors = sample.filter((one) => known.get(one.id) === 'survived')
for (const one of survivors) console.log(`${one.place}  ${one.what}\n    ${one.line}`)
console.log(
  `${folder}, seed ${seed}: ${sample.length - survivors.length} of ${sample.length} changes noticed (${((100 * (sample.length - survivors.length)) / sample.length).toFixed(1)} %): ` +
    `${tally('ring 1') + tally('ring 2') + tally('ring 3')} by the tests of the matter, ${tally('ring 4')} by those of others, ${tally('late')} by running out of time.`,
)
