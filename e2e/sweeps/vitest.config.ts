import { defineConfig } from "vitest/config";
import flows from "../vitest.config";

/** Sweeps over every page, garden, look, field and moment: minutes each, so they are told apart from the flows. */
export default defineConfig({ test: { ...flows.test, include: ["e2e/sweeps/**/*.test.ts"] } });
