// npm run bench: the figures, as operations a second and shares. The machine matters more than the last digit.
import { build, installPackages, run } from './ready.mjs';

installPackages();
build();
run('npx', ['tsx', 'bench/engine.ts']);
run('npx', ['tsx', 'bench/answering.ts']);
run('npx', ['tsx', 'bench/numbers.ts']);
run('npx', ['tsx', 'bench/people.ts']);
run('npx', ['tsx', 'bench/browser.ts']);
