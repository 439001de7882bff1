// npm start: installs what is missing, builds, and serves with the demonstration business.
import { build, installPackages } from './ready.mjs';
import { serve } from './serve.mjs';

installPackages();
build();
console.log(`Upper Line is at http://localhost:${await serve()}`);
