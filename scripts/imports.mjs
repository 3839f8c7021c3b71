// Holds the imports of src against the rules of .dependency-cruiser.mjs, and fails when nothing was read.
import { cruise } from 'dependency-cruiser';
import extractTSConfig from 'dependency-cruiser/config-utl/extract-ts-config';
import config from '../.dependency-cruiser.mjs';

const result = await cruise(
  ['src', 'tests'],
  { ruleSet: { forbidden: config.forbidden }, validate: true, outputType: 'err', ...config.options },
  undefined,
  { tsConfig: extractTSConfig('tsconfig.json') },
);
const counted = await cruise(['src'], config.options);
const modules = counted.output.modules.filter(({ source }) => source.startsWith('src/')).length;
process.stdout.write(String(result.output));
console.log(`imports: ${modules} modules of src read`);
if (modules === 0) {
  console.error('imports: no module was read, so nothing was checked');
  process.exitCode = 1;
}
if (result.exitCode !== 0) process.exitCode = 1;
