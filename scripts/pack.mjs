/** npm run pack: the two packages as files that any project can install. Node built-ins only. */
import { checkNode, ensurePackages } from './setup/dependencies.mjs';
import { inRoot } from './setup/paths.mjs';
import { ensureBuilt } from './setup/build.mjs';
import { pack } from './setup/pack.mjs';

checkNode();
await ensurePackages();
await ensureBuilt();
const packed = await pack(inRoot('packed'));
for (const [name, path] of Object.entries(packed)) process.stdout.write(`${name}  ${path}\n`);
