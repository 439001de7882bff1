// npm start: installs what is missing, builds, and serves with the demonstration business.
import { build, installPackages } from './ready.mjs';

installPackages();
build();
process.env.PORT ??= '4173';
process.env.HOST ??= '127.0.0.1';
process.env.BODY_SIZE_LIMIT ??= '512K';
await import('../build/index.js');
console.log(`Upper Line is at http://localhost:${process.env.PORT}`);
