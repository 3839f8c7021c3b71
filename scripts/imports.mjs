// Holds the imports of src against the rules of .dependency-cruiser.mjs, and fails when nothing was read.
import { cruise } from 'dependency-cruiser';
import extractTSConfig from 'dependency-cruiser/config-utl/extract-ts-config';
import config from '../.dependency-cruiser.mjs';

const { output } = await cruise(
  ['src', 'tests'],
  { ruleSet: { forbidden: config.forbidden }, validate: true, ...config.options },
  undefined,
  { tsConfig: extractTSConfig('tsconfig.json') },
);
const { violations } = output.summary;
for (const { rule, from, to } of violations) console.error(`${rule.severity} ${rule.name}: ${from} → ${to}`);
const modules = output.modules.filter(({ source }) => source.startsWith('src/')).length;
console.log(`imports: ${modules} modules of src read, ${violations.length} violations`);
if (modules === 0) console.error('imports: no module was read, so nothing was checked');
if (modules === 0 || violations.length > 0) process.exitCode = 1;
