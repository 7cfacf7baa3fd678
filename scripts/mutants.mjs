// node scripts/mutants.mjs REPORT BAR FOLDER...: of the changes made in each folder or file, how many some test noticed; what none did.
import { readFileSync, writeFileSync } from 'node:fs';

const [report, bar, ...folders] = process.argv.slice(2);
const files = Object.entries(JSON.parse(readFileSync(report, 'utf8')).files);
const noticed = new Set(['Killed', 'Timeout']);
const missed = new Set(['Survived', 'NoCoverage']);
let under = 0;
const list = [];
for (const folder of folders) {
  let [killed, all, hung, untried] = [0, 0, 0, 0];
  for (const [path, file] of files.filter(([path]) => path.includes(`${folder}/`) || path.endsWith(`${folder}.cs`))) {
    const lines = file.source.split('\n');
    for (const mutant of file.mutants) {
      // A table is made once in a process, and the runner keeps its processes: a change in one is never tried. WeightsTests turns them.
      if (mutant.static) {
        if (noticed.has(mutant.status) || missed.has(mutant.status)) untried++;
        continue;
      }
      if (noticed.has(mutant.status)) killed++;
      if (mutant.status === 'Timeout') hung++;
      if (noticed.has(mutant.status) || missed.has(mutant.status)) all++;
      if (missed.has(mutant.status)) {
        const { line } = mutant.location.start;
        const where = `${path.slice(path.indexOf(folder))}:${line} ${mutant.status} ${mutant.mutatorName}`;
        list.push(`${where}: ${lines[line - 1].trim()}  ->  ${mutant.replacement.replace(/\s+/g, ' ').slice(0, 100)}`);
      }
    }
  }
  // Where nothing was tried, nothing was noticed.
  const share = all === 0 ? 0 : (100 * killed) / all;
  if (share < Number(bar)) under++;
  const beside = `${hung} of them hung; ${untried} in tables not tried`;
  console.log(`${folder.padEnd(20)} ${killed} of ${all} noticed, ${share.toFixed(1)} % (${beside})`);
}
const out = report.replace(/reports\/.*/, 'missed.txt');
writeFileSync(out, `${list.join('\n')}\n`);
console.log(`Bar ${bar} %: ${under === 0 ? 'held' : `${under} under it`}. What no test noticed: ${out}`);
process.exit(under === 0 ? 0 : 1);
