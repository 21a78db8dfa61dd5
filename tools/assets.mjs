// Copies what the pages ship from the packages into wwwroot/lib, with its licences. Run after a version in package.json changes.
import { copyFileSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';

const lib = new URL('../src/Corrie.Web/wwwroot/lib/', import.meta.url);
const modules = new URL('../node_modules/', import.meta.url);
mkdirSync(lib, { recursive: true });

const files = {
  'htmx.min.js': 'htmx.org/dist/htmx.min.js',
  'idiomorph.min.js': 'idiomorph/dist/idiomorph-ext.min.js',
  'bulma.min.css': 'bulma/css/versions/bulma-no-dark-mode.min.css',
  'hyperlegible-next.woff2': '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
};
for (const [to, from] of Object.entries(files)) {
  copyFileSync(new URL(from, modules), new URL(to, lib));
}

const licences = ['htmx.org', 'idiomorph', 'bulma', '@fontsource-variable/atkinson-hyperlegible-next'].map(name =>
  `${name}\n${'='.repeat(name.length)}\n\n${readFileSync(new URL(`${name}/LICENSE`, modules), 'utf8')}`);
writeFileSync(new URL('LICENCES.txt', lib), licences.join('\n\n'));
