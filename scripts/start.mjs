// npm start: installs what is missing, builds, and serves with the demonstration business. With `-- --share` other machines, too.
import { build, installPackages } from './ready.mjs';
import { serve } from './serve.mjs';

// The demonstration is given a past when it is opened first.
process.env.UPPER_LINE_PAST_DAYS ??= '90';
installPackages();
build();
const { sharing, sharedInWords } = await import('./share.mjs');
const shared = await sharing(process.argv, Number(process.env.SHARED_PORT ?? 4443)).catch((error) => {
  console.error(error.message);
  process.exit(1);
});
console.log(`Upper Line is at http://localhost:${await serve(shared)}`);
if (shared) console.log(await sharedInWords(shared));
