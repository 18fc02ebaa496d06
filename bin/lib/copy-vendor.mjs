// Copies what the pages need of the npm packages, with their licences, so that nothing is fetched at run time; and
// lays the texts that scripts show beside the scripts, a file a language, so that no page brings them along.
import { copyFileSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';

const target = 'public/assets';
const fonts = {
    'atkinson-hyperlegible-next': ['latin', 'latin-ext'],
    'spline-sans-mono': ['latin', 'latin-ext'],
};
mkdirSync(`${target}/fonts`, { recursive: true });
mkdirSync(`${target}/licences`, { recursive: true });
for (const [family, subsets] of Object.entries(fonts)) {
    const folder = `node_modules/@fontsource-variable/${family}`;
    for (const subset of subsets) {
        copyFileSync(
            `${folder}/files/${family}-${subset}-wght-normal.woff2`,
            `${target}/fonts/${family}-${subset}.woff2`,
        );
    }
    copyFileSync(`${folder}/LICENSE`, `${target}/licences/${family}.txt`);
}
copyFileSync('node_modules/bulma/LICENSE', `${target}/licences/bulma.txt`);
mkdirSync(`${target}/vendor`, { recursive: true });
copyFileSync('node_modules/uqr/dist/index.mjs', `${target}/vendor/uqr.js`);
copyFileSync('node_modules/uqr/LICENSE', `${target}/licences/uqr.txt`);

mkdirSync(`${target}/texts`, { recursive: true });
for (const file of readdirSync('translations')) {
    const language = file.match(/^script\.([a-z]+)\.json$/)?.[1];
    if (language) {
        const texts = JSON.parse(readFileSync(`translations/${file}`, 'utf8'));
        writeFileSync(`${target}/texts/${language}.js`, `export default ${JSON.stringify(texts)};\n`);
    }
}
