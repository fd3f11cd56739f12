// Makes src/Altrin.Core/Radio/regulations.json from the open wireless regulatory database as Debian installs it
// (package wireless-regdb): node tools/regdb/snapshot.mjs DATE [FILE]
// The file's layout is that of the kernel's net/wireless/reg.c (value from memory): big-endian; magic "RGDB", version 20; then per country two
// letters and a pointer (in 4 bytes) to its collection: length, number of rules, DFS region, padding, and pointers to rules: length, flags,
// max EIRP in 1/100 dBm, start, end and widest channel in kHz.
import { readFileSync, writeFileSync } from 'node:fs'

const [date, file = '/lib/firmware/regulatory.db'] = process.argv.slice(2)
const db = readFileSync(file)
if (db.readUInt32BE(0) !== 0x52474442 || db.readUInt32BE(4) !== 20) throw new Error(`${file} is no database of version 20.`)

const countries = {}
for (let at = 8; db[at] !== 0; at += 4) {
  const code = db.toString('latin1', at, at + 2)
  const collection = db.readUInt16BE(at + 2) * 4
  const [length, rules, dfs] = [db[collection], db[collection + 1], db[collection + 2]]
  countries[code] = { dfs, rules: [] }
  for (let i = 0; i < rules; i++) {
    const rule = db.readUInt16BE(collection + Math.ceil(length / 4) * 4 + i * 2) * 4
    const flags = db[rule + 1]
    countries[code].rules.push([
      db.readUInt32BE(rule + 4) / 1000,
      db.readUInt32BE(rule + 8) / 1000,
      db.readUInt32BE(rule + 12) / 1000,
      db.readUInt16BE(rule + 2) / 100,
      // NO_OFDM 1, NO_OUTDOOR 2, DFS 4, NO_IR 8, AUTO_BW 16
      flags,
    ])
  }
}
const lines = Object.entries(countries)
  .filter(([code]) => /^[A-Z]{2}$/.test(code))
  .sort(([a], [b]) => (a < b ? -1 : 1))
  .map(([code, one]) => `    ${JSON.stringify(code)}: ${JSON.stringify(one)}`)
const json = `{\n  "source": "wireless-regdb", "date": ${JSON.stringify(date)},\n  "rule": ["fromMHz", "toMHz", "widestMHz", "eirpDbm", "flags: 1 no OFDM, 2 indoors only, 4 DFS, 8 no initiation, 16 joined with its neighbours"],\n  "countries": {\n${lines.join(',\n')}\n  }\n}\n`
writeFileSync(new URL('../../src/Altrin.Core/Radio/regulations.json', import.meta.url), json)
console.log(`${lines.length} countries`)
