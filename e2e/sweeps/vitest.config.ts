import { defineConfig } from "vitest/config";
import flows from "../vitest.config";

/** The longer flows, and sweeps over every page, garden, look, field and moment: told apart from what runs each time. */
export default defineConfig({ test: { ...flows.test, include: ["e2e/{more,sweeps}/**/*.test.ts"] } });
