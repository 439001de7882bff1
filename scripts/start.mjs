// npm start: installs what is missing, builds, and serves with the demonstration business.
import { build, installPackages } from './ready.mjs';
import { serve } from './serve.mjs';

// The demonstration is given a past when it is opened first.
process.env.UPPER_LINE_PAST_DAYS ??= '90';
installPackages();
build();
console.log(`Upper Line is at http://localhost:${await serve()}`);
