// npm run demo [-- --fresh] [-- --port N]: the demo garden, ready to look at.
import { akmedon, build, install } from "./ready.mjs";

install();
build();
akmedon(["demo", ...process.argv.slice(2)]);
