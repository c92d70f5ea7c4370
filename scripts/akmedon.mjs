// npm run -s akmedon -- VERB: the command line.
import { akmedon, build, install } from "./ready.mjs";

install();
if (["serve", "demo"].includes(process.argv[2])) build();
akmedon(process.argv.slice(2));
