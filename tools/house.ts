import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './cluster.ts';
import { runTool, StopWord } from './stop-word.ts';

/** The layers of each program, the top first; a layer's rooms are the folders in it. */
const LAYERS: Readonly<Record<string, readonly string[]>> = {
  web: ['app', 'places', 'parts', 'api', 'shared', 'offline'],
  server: ['app', 'areas', 'records', 'threads', 'http', 'live', 'db', 'paper'],
};
/** Layers whose folders are rooms of their own. */
const ROOMS = new Set(['web/places', 'web/parts', 'server/areas']);
const FILE = join(root, 'docs/house.md');

interface Cruised {
  readonly modules: readonly {
    readonly source: string;
    readonly dependencies: readonly { readonly resolved: string }[];
  }[];
}

/** Every import between the project's own files, as the checker of the arrows reads them. */
function imports(): readonly (readonly [from: string, to: string])[] {
  const { stdout, status } = spawnSync(
    join(root, 'node_modules/.bin/depcruise'),
    ['core', 'contract', 'server', 'web', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
    { cwd: root, encoding: 'utf8', maxBuffer: 200_000_000 },
  );
  if (status === null || stdout === '') throw new StopWord('the imports could not be read.');
  const { modules } = JSON.parse(stdout) as Cruised;
  return modules.flatMap((m) => m.dependencies.map((d) => [m.source, d.resolved] as const));
}

const PROGRAMS = ['core', 'contract', ...Object.keys(LAYERS)];
/** `web/places`, `core`: what a file belongs to in the drawing; null for what is not the project's. */
function layerOf(file: string): string | null {
  const [program, layer] = file.split('/') as [string, string];
  if (!PROGRAMS.includes(program)) return null;
  const layers = LAYERS[program];
  return layers ? (layers.includes(layer) ? `${program}/${layer}` : null) : program;
}
/** `places/diary`: the room a file lies in, where its layer has rooms. */
function roomOf(file: string): string | null {
  const layer = layerOf(file);
  return layer && ROOMS.has(layer) ? file.split('/').slice(1, 3).join('/') : layer;
}

const sorted = (names: Iterable<string>) => [...names].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));

/** Which of them know which others, by the imports between their files. */
function known(all: ReturnType<typeof imports>, of: (file: string) => string | null) {
  const out = new Map<string, Set<string>>();
  for (const [from, to] of all) {
    const [a, b] = [of(from), of(to)];
    if (a === null) continue;
    const set = out.get(a) ?? new Set();
    if (b !== null && b !== a) set.add(b);
    out.set(a, set);
  }
  return out;
}

/** The house as a page: how the layers know each other, and which rooms each room knows. */
function drawn(): string {
  const all = imports();
  const id = (name: string) => name.replace('/', '_');
  const layers = known(all, layerOf);
  const arrows = sorted(layers.keys()).flatMap((a) =>
    sorted(layers.get(a)!).map((b) => `  ${id(a)} --> ${id(b)}`),
  );
  const boxes = Object.entries(LAYERS).flatMap(([program, names]) => [
    `  subgraph ${program}`,
    ...names.map((n) => `    ${program}_${n}["${n}"]`),
    '  end',
  ]);
  const rooms = known(all, roomOf);
  const rows = sorted(rooms.keys())
    .filter((r) => /^(places|parts|areas)\//.test(r))
    .map((r) => {
      const others = sorted(rooms.get(r)!).filter((o) => /^(places|parts|areas)\/|^server\/records/.test(o));
      return `- ${r}: ${others.length > 0 ? others.map((o) => o.replace('server/', '')).join(', ') : '–'}`;
    });
  return `# The house, drawn from its imports

Written by \`./rocchetto house\`; \`./rocchetto check\` compares it with the code. An arrow goes from who knows to who is known.

\`\`\`mermaid
flowchart TD
${boxes.join('\n')}
  contract
  core
${arrows.join('\n')}
\`\`\`

Rooms, and which others each of them knows:

${rows.join('\n')}
`;
}

runTool(async () => {
  const page = drawn();
  if (!process.argv.includes('--check')) {
    writeFileSync(FILE, page);
    return 0;
  }
  if (readFileSync(FILE, 'utf8') === page) return 0;
  process.stderr.write(
    'docs/house.md is not how the house is built: run ./rocchetto house and look at what moved.\n',
  );
  return 1;
});
