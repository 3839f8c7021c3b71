// Imported first, lets Node 20 import the project's TypeScript.
import { register } from 'node:module';

register('./typescript-hooks.mjs', import.meta.url);
