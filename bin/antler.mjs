#!/usr/bin/env node
import { ensureCli } from '../scripts/lib/cli.mjs';

await import(ensureCli());
