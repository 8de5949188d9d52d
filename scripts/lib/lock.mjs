import { spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, writeFileSync } from 'node:fs';
import { commandLine, gone, isAlive } from './run.mjs';
import { giveUp, say } from './say.mjs';

/**
 * Holds a file's kernel lock for as long as this process lives, by a child that ends when its input does: it holds across PID
 * namespaces, and a killed process leaves nothing behind. Resolves to whether it was had.
 */
function hold(file) {
  closeSync(openSync(file, 'a'));
  const child = spawn('flock', ['-n', '-E', '75', file, 'sh', '-c', 'echo held; exec cat'], {
    stdio: ['pipe', 'pipe', 'ignore'],
  });
  return new Promise((resolve) => {
    child.on('error', () => giveUp('flock is missing. Install it with:  sudo apt-get install util-linux'));
    child.stdout.once('data', () => {
      // It must not keep this process from ending.
      child.unref();
      child.stdout.unref();
      child.stdin.unref();
      resolve(true);
    });
    child.once('exit', () => resolve(false));
  });
}

/** What the last run wrote of itself; nothing, where its writer was killed half-way. */
function lastRun(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return {};
  }
}

/**
 * One Antler on one data folder. What a killed one left running is stopped first. Returns how to write down what runs now.
 */
export async function takeFolder(lock, run, url) {
  if (!(await hold(lock))) {
    const { url: where = 'another address', pid } = lastRun(run);
    giveUp(`already running at ${where}${pid ? ` (process ${pid})` : ''}.`);
  }
  if (existsSync(run)) {
    const { app } = lastRun(run);
    if (app && isAlive(app) && commandLine(app).includes('serve.mjs')) {
      process.kill(app, 'SIGTERM');
      if (!(await gone(app, 12_000))) process.kill(app, 'SIGKILL');
    }
    say('the last run ended without stopping: recovering');
  }
  const write = (more) => writeFileSync(run, JSON.stringify({ pid: process.pid, url, ...more }));
  write({});
  return write;
}
