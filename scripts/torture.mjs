// npm run torture: kills, full storage, damage; prints what was lost, half there or not told, which is nothing.
import { build, installPackages, run } from './ready.mjs';

installPackages();
build();
run('npx', ['tsx', 'bench/torture.ts', ...process.argv.slice(2)]);
