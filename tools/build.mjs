// Builds dist/: the program and the library in one split bundle, the types, and the licences of what is bundled.
import { execFileSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { resolve } from 'node:path';
import { build } from 'esbuild';

const outdir = 'dist';
const old = existsSync(outdir) ? readdirSync(outdir).filter(name => /\.(js|txt)$/.test(name)) : [];
const packages = {
  external: ['sharp'],
  plugins: [
    {
      name: 'what of packages is needed',
      setup({ onResolve, onLoad }) {
        // The package reads its data by file names that a bundle does not have; this build of it holds them.
        onResolve({ filter: /^css-tree$/ }, () => ({
          path: resolve('node_modules/css-tree/dist/csstree.esm.js'),
        }));
        // Elements are found by selectors here, and none is written: what writes them is a tenth of the program.
        onResolve({ filter: /^dom-serializer$/ }, () => ({
          path: 'none',
          namespace: 'none',
          sideEffects: false,
        }));
        onLoad({ filter: /.*/, namespace: 'none' }, () => ({ contents: 'export default () => "";' }));
      },
    },
  ],
};
const result = await build({
  ...packages,
  entryPoints: {
    index: 'src/index.ts',
    'read-worker': 'src/files/read-worker.ts',
  },
  outdir,
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  chunkNames: 'part-[hash]',
  legalComments: 'none',
  metafile: true,
  minify: true,
  banner: {
    js: "import { createRequire as kaminoRequire } from 'node:module'; const require = kaminoRequire(import.meta.url);",
  },
});

// The program as one script in ASCII, so that V8 can keep what it has compiled of it; what is large and seldom needed
// stands beside it, and so do what builds, what builds few pages, and what tells again what the last build told.
const common = {
  outdir,
  outExtension: { '.js': '.cjs' },
  bundle: true,
  format: 'cjs',
  platform: 'node',
  target: 'node20',
  charset: 'ascii',
  legalComments: 'none',
  metafile: true,
  minify: true,
};
const large = ['fontkit', 'express', 'mdast-util-from-markdown', 'papaparse', 'qrcode'];
const beside = {
  name: 'beside the program',
  setup({ onResolve }) {
    onResolve({ filter: new RegExp(`^(${large.join('|')})$`) }, ({ path }) => ({
      path: `./${path}.cjs`,
      external: true,
    }));
  },
};
const one = {
  ...common,
  ...packages,
  define: { 'import.meta.url': 'kaminoUrl' },
  banner: { js: "const kaminoUrl = require('node:url').pathToFileURL(__filename).href;" },
  supported: { 'dynamic-import': false },
};
const program = await build({
  ...one,
  entryPoints: { program: 'src/cli/program.ts', make: 'src/cli/whole.ts' },
  plugins: [...packages.plugins, beside],
});
const quick = await build({ ...one, entryPoints: { again: 'src/cli/again.ts', few: 'src/jobs/remake.ts' } });
const libraries = await build({
  ...common,
  entryPoints: {
    ...Object.fromEntries(large.map(name => [name, name])),
    'write-worker': 'src/files/write-worker.ts',
  },
});
// The starter reads a byte as a letter, and in regular expressions letters are left as they are written.
for (const file of [program, quick, libraries].flatMap(one => Object.keys(one.metafile.outputs)))
  writeFileSync(file, inAscii(readFileSync(file, 'utf8')));
copyFileSync('tools/start.cjs', `${outdir}/kamino.cjs`);
chmodSync(`${outdir}/kamino.cjs`, 0o755);

// What runs in the visitor's browser: each behaviour on its own, with the class names written out.
const named = await build({
  entryPoints: ['src/core/markup/names.ts'],
  bundle: true,
  format: 'esm',
  write: false,
});
const { behaviours, parts } = await import(
  `data:text/javascript;base64,${Buffer.from(named.outputFiles[0].contents).toString('base64')}`
);
const writtenOut = {
  name: 'class names written out',
  setup({ onLoad }) {
    onLoad({ filter: /src[\\/]client[\\/].*\.ts$/ }, ({ path }) => ({
      contents: readFileSync(path, 'utf8')
        .replace(/\$\{parts\.(\w+)\}/g, (_, part) => parts[part])
        .replace(/\bparts\.(\w+)/g, (_, part) => `'${parts[part]}'`),
      loader: 'ts',
    }));
  },
};
// A script that is there twice runs once: the first one answers the second.
const once = {
  banner: `(()=>{if(!document.dispatchEvent(new Event("kamino",{cancelable:!0})))return;document.addEventListener("kamino",e=>e.preventDefault());`,
  footer: '})();',
};
const client = {};
// Every choice of them, so that what they share is there once.
for (let choice = 1; choice < 2 ** behaviours.length; choice += 1) {
  const chosen = behaviours.filter((_, at) => choice & (2 ** at));
  client[chosen.join(' ')] = await inBrowser(chosen, once);
}
// What runs in Kamino's own pages, and looks at others.
for (const name of ['live', 'widths', 'controls', 'rooms', 'look', 'height', 'walk', 'here'])
  client[`own/${name}`] = await inBrowser([`own/${name}`], {});
writeFileSync(`${outdir}/client.json`, JSON.stringify(client));

const written = new Set(Object.keys(result.metafile.outputs).map(path => path.slice(outdir.length + 1)));
for (const name of old) if (!written.has(name)) rmSync(`${outdir}/${name}`);

const { planSchemaOf } = await import(new URL(`../${outdir}/index.js`, import.meta.url).href);
writeFileSync(`${outdir}/plan.schema.json`, `${JSON.stringify(planSchemaOf(), null, 2)}\n`);

const bundled = new Set();
for (const input of [result, program, quick, libraries].flatMap(one => Object.keys(one.metafile.inputs))) {
  const match = /^node_modules\/((?:@[^/]+\/)?[^/]+)\//.exec(input);
  if (match) bundled.add(match[1]);
}
writeFileSync(`${outdir}/LICENSES.txt`, [...bundled].sort().map(licence).join('\n'));
execFileSync(process.execPath, ['tools/warm.cjs'], { stdio: 'inherit' });
execFileSync(process.execPath, ['node_modules/@typescript/native/bin/tsc', '-p', 'tsconfig.types.json'], {
  stdio: 'inherit',
});

/** Modules of the client as one script in ASCII, on one line. */
async function inBrowser(names, { banner = '', footer = '' }) {
  const { outputFiles } = await build({
    stdin: { contents: names.map(name => `import './${name}.ts';`).join(''), resolveDir: 'src/client' },
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    charset: 'ascii',
    legalComments: 'none',
    banner: { js: banner },
    footer: { js: footer },
    write: false,
    plugins: [writtenOut],
  });
  return inAscii(outputFiles[0].text.replaceAll('\n', ''));
}

/** A script with every other letter written by its number, as strings and regular expressions both have it. */
function inAscii(script) {
  return script.replace(/[^\0-\x7f]/g, letter => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`);
}

/** The licence text that a bundled package ships, under its name and version. */
function licence(name) {
  const folder = `node_modules/${name}`;
  const about = JSON.parse(readFileSync(`${folder}/package.json`, 'utf8'));
  const file = readdirSync(folder).find(entry => /^licen[cs]e/i.test(entry));
  const text = file ? readFileSync(`${folder}/${file}`, 'utf8').trim() : `Licence: ${about.license}`;
  return `${name} ${about.version}\n\n${text}\n\n${'-'.repeat(72)}\n`;
}
