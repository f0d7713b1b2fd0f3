import { execFileSync, spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const stamp = join(root, 'node_modules', '.install-stamp');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Runs a command with its output shown; resolves with its exit code. */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options });
    child.on('error', reject);
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** The path of a tool in node_modules/.bin. */
export const tool = (name) => join(root, 'node_modules', '.bin', name);

/** Installs the packages when the lock file is not the one installed last. */
export async function installPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Error(`Node ${process.versions.node} is too old: 20.19 or newer is needed.`);
  }
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Installing packages…');
  const code = await run(npm, ['ci', '--ignore-scripts', '--no-audit', '--no-fund']);
  if (code !== 0) throw new Error('npm could not install the packages.');
  if (existsSync(join(root, 'apps/web/node_modules/@angular'))) {
    throw new Error('A second Angular was installed under apps/web; declare its packages in one place only.');
  }
  writeFileSync(stamp, wanted);
}

const usual = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome', '/snap/bin/chromium'];

/** The path of a Chromium: CHROMIUM_PATH, a usual place, or one installed with apt now. */
export async function findChromium() {
  const given = process.env.CHROMIUM_PATH;
  if (given !== undefined && given !== '') {
    if (existsSync(given)) return given;
    throw new Error(`CHROMIUM_PATH: there is nothing at ${given}.`);
  }
  const found = usual.find((path) => existsSync(path));
  if (found !== undefined) return found;
  const canInstall = existsSync('/usr/bin/apt-get') && process.getuid?.() === 0;
  if (!canInstall) {
    throw new Error('No Chromium here. Install it (Debian: apt-get install chromium) or set CHROMIUM_PATH to one.');
  }
  console.log('Installing Chromium with apt…');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  execFileSync('apt-get', ['update'], { stdio: 'inherit', env });
  execFileSync('apt-get', ['install', '-y', '--no-install-recommends', 'chromium', 'fonts-liberation'], {
    stdio: 'inherit',
    env,
  });
  const installed = usual.find((path) => existsSync(path));
  if (installed === undefined) throw new Error('apt installed no Chromium. Set CHROMIUM_PATH to one.');
  return installed;
}
