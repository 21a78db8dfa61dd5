// Copies what the pages ship from the packages into wwwroot/lib, with its licences. Run after a version in package.json changes.
import { createHash } from 'node:crypto';
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

// Passwords that are tried first, as the first eight bytes of each one's SHA-256: the server refuses them, and nobody has to read them.
const { dictionary } = await import('@zxcvbn-ts/language-common');
const usual = dictionary['passwords-common'].filter(word => word.length >= 4).slice(0, 20_000);
writeFileSync(new URL('../src/Corrie.Web/Access/common-passwords.bin', import.meta.url), Buffer.concat(usual.map(word => createHash('sha256').update(word).digest().subarray(0, 8))));
writeFileSync(new URL('../src/Corrie.Web/Access/common-passwords-LICENCE.txt', import.meta.url), readFileSync(new URL('@zxcvbn-ts/language-common/LICENSE.txt', modules), 'utf8'));
