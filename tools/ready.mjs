// Gets the project ready: node tools/ready.mjs [install] [build] [browser] [java] [firefox] [webkit] [upload].
// Each step is stamped with a hash of what it depends on and skipped while that stamp holds.
// Its words go to standard error. No dependencies: it runs before anything is installed.
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { findBrowser } from './browsers.mjs';
import { fileURLToPath } from 'node:url';

process.chdir(fileURLToPath(new URL('..', import.meta.url)));
const stamps = '.stamps';
const lock = join(stamps, 'lock');
const say = words => process.stderr.write(`${words}\n`);

/** What stands for an ordinary server, and for the programs that people send files with. */
const uploads = { nginx: '-v', rsync: '--version', bsdtar: '--version', unzip: '-v' };

const steps = {
  install: {
    needs: ['package.json', 'package-lock.json'],
    holds: () => existsSync('node_modules/esbuild') && existsSync('node_modules/jest'),
    doing: 'Installing the packages (npm ci) …',
    run: () => npm(['ci', '--no-audit', '--no-fund', '--loglevel=error']),
  },
  build: {
    needs: [
      'package.json',
      'package-lock.json',
      'tsconfig.json',
      'tsconfig.types.json',
      'tools/build.mjs',
      'tools/start.cjs',
      'tools/warm.cjs',
      'src',
    ],
    holds: () => existsSync('dist/kamino.cjs') && existsSync('dist/types/index.d.ts'),
    doing: 'Building the program …',
    run: () => call(process.execPath, ['tools/build.mjs']),
  },
  browser: { needs: [], holds: () => findBrowser() !== null, doing: '', run: installBrowser },
  // What checks the markup runs on it.
  java: { needs: [], holds: () => has('java'), doing: '', run: installJava },
  // A second engine to walk in.
  firefox: { needs: [], holds: () => hasFirefox(), doing: '', run: installFirefox },
  // A third one, and a screen for it that nobody sees.
  webkit: { needs: [], holds: hasWebkit, doing: '', run: installWebkit },
  // A web server, and what opens archives and copies folders.
  upload: { needs: [], holds: hasUpload, doing: '', run: installUpload },
};

const wanted = process.argv.slice(2);
const unknown = wanted.filter(name => !(name in steps));
if (unknown.length) {
  say(`ready: no such step: ${unknown.join(', ')}. Steps: ${Object.keys(steps).join(', ')}`);
  process.exit(2);
}
mkdirSync(stamps, { recursive: true });
await hold();
try {
  for (const name of wanted) ready(name, steps[name]);
} catch (error) {
  say(`ready: ${error.message}`);
  process.exitCode = 1;
} finally {
  rmSync(lock, { force: true });
}

function ready(name, step) {
  const stamp = join(stamps, name);
  const hash = hashOf(step.needs);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash && step.holds()) return;
  rmSync(stamp, { force: true });
  if (step.doing) say(step.doing);
  step.run();
  writeFileSync(stamp, hash);
}

/** Waits while another run holds the lock; a lock whose process is gone is taken over. */
async function hold() {
  for (let told = false; ; told = true) {
    try {
      writeFileSync(lock, String(process.pid), { flag: 'wx' });
      return;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
    }
    const holder = existsSync(lock) ? Number(readFileSync(lock, 'utf8')) : 0;
    if (holder && !alive(holder)) rmSync(lock, { force: true });
    else if (!told) say('Another run is getting ready; waiting for it …');
    await new Promise(done => setTimeout(done, 300));
  }
}

function alive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

function hashOf(paths) {
  const hash = createHash('sha256').update(process.version);
  const add = path => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) add(join(path, name));
    else hash.update(path).update(readFileSync(path));
  };
  paths.forEach(add);
  return hash.digest('hex');
}

function npm(args) {
  const script = process.env.npm_execpath;
  if (script && /\.[cm]?js$/.test(script)) call(process.execPath, [script, ...args]);
  else call(process.platform === 'win32' ? 'npm.cmd' : 'npm', args);
}

function call(command, args) {
  const { status, error } = spawnSync(command, args, { stdio: ['ignore', 2, 2] });
  if (error) throw new Error(`${command} could not be started: ${error.message}`);
  if (status !== 0) throw new Error(`${[command, ...args].join(' ')} ended with status ${status}`);
}

/** By apt, only as root and only where none is there; else one line that says what to install. */
function installJava() {
  if (!has('java'))
    apt('Java', 'no Java was found, which checks the markup. Install one.')('default-jre-headless');
}

function hasFirefox() {
  return ['firefox-esr', 'firefox'].some(name => has(name));
}

/** The same. */
function installFirefox() {
  if (!hasFirefox())
    apt('Firefox', 'no Firefox was found, in which the tests walk too. Install one.')('firefox-esr');
}

function hasWebkit() {
  return has('WebKitWebDriver', '--help') && has('Xvfb', '-help');
}

/** The same. */
function installWebkit() {
  if (!hasWebkit())
    apt(
      'WebKit',
      'WebKitWebDriver (webkit2gtk-driver) and Xvfb are needed by the tests, which walk in WebKit too. Install them.',
    )('webkit2gtk-driver', 'xvfb');
}

function hasUpload() {
  return Object.entries(uploads).every(([command, version]) => has(command, version));
}

/** The same. */
function installUpload() {
  if (!hasUpload())
    apt(
      'a web server and programs for archives and copies',
      'nginx, rsync, bsdtar (libarchive) and unzip are needed by the tests of what goes to a server. Install them.',
    )('nginx-light', 'rsync', 'libarchive-tools', 'unzip');
}

/** What installs packages of Debian, once it is sure that it may. */
function apt(name, otherwise) {
  const root = typeof process.getuid === 'function' && process.getuid() === 0;
  if (!root || !has('apt-get')) throw new Error(otherwise);
  say(`Installing ${name} (apt-get) …`);
  process.env.DEBIAN_FRONTEND = 'noninteractive';
  call('apt-get', ['update', '-qq']);
  return (...packages) => call('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages]);
}

/** By apt; else one line that says what to install. */
function installBrowser() {
  if (findBrowser()) return;
  const install = apt(
    'Chromium',
    'no Chromium, Chrome or Edge was found. Install one, or set KAMINO_BROWSER to its program file.',
  );
  // The one without windows does the same in a third of the time; not every Debian has it.
  try {
    install('chromium-headless-shell', 'fonts-dejavu-core');
  } catch {
    install('chromium', 'fonts-dejavu-core');
  }
  if (!findBrowser()) throw new Error('Chromium was installed, but no program of it was found.');
}

function has(command, version = '--version') {
  try {
    execFileSync(command, [version], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}
