import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { ensureBuilt } from '../../scripts/lib/sources.mjs';

describe('building', () => {
  const stray = 'src/ui/stray-for-a-test.css';
  afterEach(() => {
    rmSync(stray, { force: true });
  });

  it('is skipped when the sources are those of the last build', () => {
    const before = readFileSync('dist/.sources', 'utf8');
    const from = performance.now();
    ensureBuilt();
    expect(performance.now() - from).toBeLessThan(1_500);
    expect(readFileSync('dist/.sources', 'utf8')).toBe(before);
  });

  it('is done when a source changed', () => {
    const before = readFileSync('dist/.sources', 'utf8');
    // What was built stands aside and comes back: building it a second time would show no more.
    const kept = mkdtempSync(path.join(os.tmpdir(), 'antler-dist-'));
    cpSync('dist', path.join(kept, 'dist'), { recursive: true, preserveTimestamps: true });
    writeFileSync(stray, '.stray {\n  color: red;\n}\n');
    try {
      ensureBuilt();
      expect(readFileSync('dist/.sources', 'utf8')).not.toBe(before);
      expect(existsSync('dist/serve.mjs')).toBe(true);
    } finally {
      rmSync(stray, { force: true });
      rmSync('dist', { recursive: true, force: true });
      cpSync(path.join(kept, 'dist'), 'dist', { recursive: true, preserveTimestamps: true });
      rmSync(kept, { recursive: true, force: true });
    }
    ensureBuilt();
    expect(readFileSync('dist/.sources', 'utf8')).toBe(before);
  }, 120_000);
});
