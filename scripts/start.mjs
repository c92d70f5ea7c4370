// npm start [-- --data FOLDER] [-- --port N]: your own garden.
import { akmedon, build, install } from "./ready.mjs";

install();
build();
akmedon(["serve", ...process.argv.slice(2)]);
