// Builds the front end for Maven: installs packages and rebuilds only when something has changed.
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

const run = (command, ...args) => execFileSync(command, args, { stdio: 'inherit' });
const time = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0);
const newest = (path) =>
  statSync(path).isDirectory()
    ? Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))))
    : time(path);

if (time('node_modules/.package-lock.json') < time('package-lock.json')) {
  run('npm', 'ci', '--no-audit', '--no-fund');
}
const sources = [
  'src',
  'public',
  'index.html',
  'openapi.json',
  'package.json',
  'vite.config.ts',
  'tsconfig.json',
];
if (time('dist/index.html') < Math.max(...sources.filter(existsSync).map(newest))) {
  run('npx', 'openapi-typescript', 'openapi.json', '-o', 'src/api/schema.d.ts');
  run('npx', 'tsc', '--noEmit');
  run('npx', 'eslint', 'src');
  run('npx', 'prettier', '--check', 'src', '*.mjs', '*.ts');
  run('npx', 'vitest', 'run');
  run('npx', 'vite', 'build');
}
