// Writes docs/third-party.md: what ships with Gentle Bead, its licence, and why it is here.
//   node scripts/third-party.mjs           writes it
//   node scripts/third-party.mjs --check   exits with 1 where it is not true any more
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const page = join(root, 'docs/third-party.md');
const json = (path) => JSON.parse(readFileSync(join(root, path), 'utf8'));

// One reason for each package asked for by name; what those bring along is listed without.
const why = {
  CsvHelper: 'Reads and writes CSV: charts, cards, logs, lists of students.',
  'Google.OrTools': 'Plans an evening and cuts bars: constraint programming (CP-SAT).',
  'Google.Protobuf': 'How a plan is told to the solver; pinned, since the registry lacks the edition the solver names.',
  'Ical.Net': 'Writes and reads calendars (iCalendar): a course’s sessions out, another program’s in.',
  Dapper: 'SQL in, records out.',
  'dbup-postgresql': 'Brings an older database forward.',
  'MathNet.Numerics': 'Chance, distributions, least squares.',
  'Microsoft.AspNetCore.OpenApi': 'The server’s own description, which the front end’s types are made from.',
  NWaves: 'Fourier transforms of real numbers for the ear, ten times as fast as MathNet’s.',
  Npgsql: 'Speaks to PostgreSQL.',
  'Npgsql.OpenTelemetry': 'Traces of what the database is asked, where they are asked for.',
  'OpenTelemetry.Exporter.OpenTelemetryProtocol': 'Sends traces on, in an open form.',
  'OpenTelemetry.Exporter.Prometheus.HttpListener': 'Figures on a port of their own; there is none of it yet that is no beta.',
  'OpenTelemetry.Extensions.Hosting': 'Figures and traces begin and end with the server.',
  'OpenTelemetry.Instrumentation.AspNetCore': 'Traces of requests.',
  OpenCvSharp4: 'The eye: markers, homographies, filters (OpenCV).',
  'OpenCvSharp4.official.runtime.linux-x64': 'OpenCV itself, built for Linux.',
  PDFsharp: 'Draws the card as PDF.',
  QRCoder: 'QR codes: where a tablet goes first, and which booth it is to be.',
  SkiaSharp: 'Decodes pictures that were sent and encodes them anew.',
  'SkiaSharp.NativeAssets.Linux.NoDependencies': 'SkiaSharp’s native half on Linux.',
  '@fontsource-variable/atkinson-hyperlegible-next': 'Type that reads at arm’s length.',
  '@mantine/core': 'Buttons, fields, dialogs.',
  '@mantine/dropzone': 'Files dropped or picked.',
  '@mantine/form': 'A form’s values and messages.',
  '@mantine/hooks': 'Keys, session storage.',
  '@mantine/notifications': 'Notices, with a way back.',
  '@mantine/spotlight': 'Go to anything by typing.',
  '@microsoft/signalr': 'Hears that something changed in the room.',
  '@tabler/icons-react': 'Icons.',
  '@tanstack/react-virtual': 'Long lists: draws only what is near the screen.',
  '@tanstack/react-query': 'What the server said, kept and asked for again.',
  'd3-scale': 'From numbers to places on an axis, and round ticks.',
  'd3-shape': 'Lines and bands from points.',
  idb: 'The browser’s own store, where a booth’s beads wait for the network.',
  'openapi-fetch': 'Calls typed by the server’s own description.',
  react: 'The screens.',
  'react-dom': 'React in a browser.',
  'react-router': 'Addresses of screens.',
  uuid: 'Ids made on the screen, so that a write can be repeated.',
};

const debian = [
  ['postgresql', 'PostgreSQL', 'The database; started on loopback.'],
  ['fonts-dejavu-core', 'Bitstream-Vera', 'Type in PDF files.'],
  ['libgtk-3-0', 'LGPL-2.0-or-later', 'OpenCV’s build for Linux is linked with it; the eye opens no window.'],
];

function licenceOfNuget(name, version) {
  const folders = [process.env.NUGET_PACKAGES, join(homedir(), '.nuget/packages'), '/opt/nuget/packages'];
  const file = folders
    .filter(Boolean)
    .map((folder) => join(folder, name.toLowerCase(), version.toLowerCase(), `${name.toLowerCase()}.nuspec`))
    .find(existsSync);
  if (!file) throw new Error(`${name} ${version} is not fetched: build the solution first.`);
  const text = readFileSync(file, 'utf8');
  return (
    /<license type="expression">([^<]+)</.exec(text)?.[1] ??
    (/<license type="file">([^<]+)</.exec(text) ? 'in the package' : undefined) ??
    /<licenseUrl>([^<]+)</.exec(text)?.[1] ??
    'not said'
  );
}

function nuget() {
  const [closure] = Object.values(json('src/GentleBead.Server/packages.lock.json').dependencies);
  const asked = new Set(
    ['Core', 'Demo', 'Server'].flatMap((name) =>
      [
        ...readFileSync(join(root, `src/GentleBead.${name}/GentleBead.${name}.csproj`), 'utf8').matchAll(
          /PackageReference Include="([^"]+)"/g,
        ),
      ].map(([, one]) => one),
    ),
  );
  return Object.entries(closure)
    .filter(([, { type }]) => type !== 'Project')
    .map(([name, { resolved }]) => row(name, resolved, licenceOfNuget(name, resolved), asked.has(name)));
}

function npm() {
  const lock = json('ui/package-lock.json');
  const asked = new Set(Object.keys(lock.packages[''].dependencies));
  return Object.entries(lock.packages)
    .filter(([path, { dev, peer }]) => path !== '' && !dev && !peer)
    .map(([path, { version, license }]) => {
      const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
      return row(name, version, license ?? json(join('ui', path, 'package.json')).license ?? 'not said', asked.has(name));
    });
}

function row(name, version, licence, asked) {
  if (asked && !why[name]) throw new Error(`Say in scripts/third-party.mjs why ${name} is here.`);
  return { name, version, licence, why: asked ? why[name] : '' };
}

const table = (rows) =>
  [
    '| Package | Version | Licence | Why it is here |',
    '| --- | --- | --- | --- |',
    ...rows
      .sort((a, b) => (a.name < b.name ? -1 : 1))
      .map(({ name, version, licence, why: reason }) => `| ${name} | ${version} | ${licence} | ${reason} |`),
  ].join('\n');

const text = `# Third-party packages

What ships with Gentle Bead or is started with it. Written by \`node scripts/third-party.mjs\`; \`./test format\` fails when it is not true
any more. Packages without a reason come along with one that has it. Tools that only build or test are in
\`Directory.Packages.props\` and \`ui/package.json\`.

## In the server (NuGet)

${table(nuget())}

## In the page (npm)

${table(npm())}

## Beside it (Debian)

| Package | Licence | Why it is here |
| --- | --- | --- |
${debian.map((cells) => `| ${cells.join(' | ')} |`).join('\n')}
`;

if (!process.argv.includes('--check')) writeFileSync(page, text);
else if (!existsSync(page) || readFileSync(page, 'utf8') !== text) {
  console.error('docs/third-party.md is not true any more: node scripts/third-party.mjs');
  process.exit(1);
}
