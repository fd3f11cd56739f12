// Chooses the changes of a mutation run by seed, and reads its report.
//   list FOLDER                           settings for a run that tries the planted change alone and lists all others
//   choose REPORT FOLDER COUNT SEED       settings for a run of about COUNT of those
//   again REPORT FOLDER                   settings for a run of those that survived
//   report REPORT FOLDER SEED [SECOND]    the score and the survivors; of two runs, those that survived both
import { readFileSync } from 'node:fs'

const settings = (mutate) => ({
  'stryker-config': {
    project: 'Altrin.Core.csproj',
    configuration: 'Release',
    'test-runner': 'mtp',
    'coverage-analysis': 'off',
    concurrency: 2,
    // Long: a busy machine must not be taken for a noticed change.
    'additional-timeout': 300000,
    reporters: ['json'],
    mutate,
  },
})

const files = (report) => Object.entries(JSON.parse(readFileSync(report, 'utf8')).files)
const isPlanted = (file) => file.endsWith('/Planted.cs')
const nameOf = (file, folder) => file.slice(file.indexOf(`Altrin.Core/${folder}/`) + 'Altrin.Core/'.length)

/** Position in the text of a line and column, both counted from 1. */
function offset(starts, { line, column }) {
  return starts[line - 1] + column - 1
}

function lineStarts(text) {
  const starts = [0]
  for (let i = 0; i < text.length; i++) if (text[i] === '\n') starts.push(i + 1)
  return starts
}

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

function choose(report, folder, count, seed) {
  const all = []
  for (const [file, { source, mutants }] of files(report)) {
    if (isPlanted(file)) {
      if (!mutants.some((one) => one.status === 'Survived')) throw new Error('The planted change was not seen to survive: this run can see no survivor.')
      continue
    }
    const starts = lineStarts(source)
    for (const one of mutants)
      if (one.status === 'Ignored') all.push({ file: nameOf(file, folder), from: offset(starts, one.location.start), to: offset(starts, one.location.end) })
  }
  const next = random(seed)
  for (let i = all.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1))
    ;[all[i], all[j]] = [all[j], all[i]]
  }
  // A place stands for every change within it. One with many, the removal of a whole body, would crowd out the others; it is also the easiest to notice.
  const most = 6
  const taken = new Map()
  let changes = 0
  for (const place of all) {
    if (changes >= count) break
    const within = all.filter((one) => one.file === place.file && one.from >= place.from && one.to <= place.to)
    const spans = taken.get(place.file) ?? []
    if (within.length > most || spans.some((span) => span.from <= place.from && span.to >= place.to)) continue
    changes += within.filter((one) => !spans.some((span) => span.from <= one.from && span.to >= one.to)).length
    taken.set(place.file, [...spans, place])
  }
  return settings([...taken].map(([file, spans]) => `**/${file}${spans.map((span) => `{${span.from}..${span.to}}`).join('')}`))
}

const hasSurvived = (one) => one.status === 'Survived' || one.status === 'NoCoverage'

/** Of both runs alike: where it is and what it becomes. */
const keyOf = (file, folder, { location, replacement }) => `${nameOf(file, folder)} ${JSON.stringify(location)} ${replacement}`

function again(report, folder) {
  const places = []
  for (const [file, { source, mutants }] of files(report)) {
    const starts = lineStarts(source)
    const spans = mutants.filter(hasSurvived).map(({ location }) => `{${offset(starts, location.start)}..${offset(starts, location.end)}}`)
    if (spans.length > 0) places.push(`**/${nameOf(file, folder)}${[...new Set(spans)].join('')}`)
  }
  return settings(places)
}

function say(report, folder, seed, second) {
  const elsewhere = new Set()
  for (const [file, { mutants }] of second ? files(second) : [])
    for (const one of mutants) if (one.status === 'Killed' || one.status === 'Timeout') elsewhere.add(keyOf(file, folder, one))
  let noticedElsewhere = 0
  const tally = {}
  const survivors = []
  for (const [file, { mutants, source }] of files(report)) {
    const lines = source.split('\n')
    for (const one of mutants) {
      if (hasSurvived(one) && elsewhere.has(keyOf(file, folder, one))) {
        noticedElsewhere++
        continue
      }
      tally[one.status] = (tally[one.status] ?? 0) + 1
      if (hasSurvived(one))
        survivors.push(`${nameOf(file, folder)}:${one.location.start.line}  ${one.mutatorName} → ${one.replacement.replaceAll(/\s+/g, ' ').slice(0, 120)}\n    ${lines[one.location.start.line - 1].trim()}`)
    }
  }
  const noticed = (tally.Killed ?? 0) + (tally.Timeout ?? 0) + noticedElsewhere
  const tried = noticed + survivors.length
  console.log(survivors.join('\n'))
  console.log(`${folder}, seed ${seed}: ${noticed} of ${tried} changes noticed (${((100 * noticed) / tried).toFixed(1)} %), ${tally.Timeout ?? 0} of them by running out of time${second ? `, ${noticedElsewhere} by the tests of another matter` : ''}.`)
}

const [task, ...rest] = process.argv.slice(2)
if (task === 'list') console.log(JSON.stringify(settings([`**/${rest[0]}/**/*.cs{0..1}`, `**/${rest[0]}/Planted.cs`])))
else if (task === 'choose') console.log(JSON.stringify(choose(rest[0], rest[1], Number(rest[2]), Number(rest[3]))))
else if (task === 'again') console.log(JSON.stringify(again(rest[0], rest[1])))
else say(...rest)
