import { spawn, spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import net from 'node:net';

/** Runs a command to its end, showing what it prints only when it fails. */
export function must(command, args, options = {}) {
  const done = spawnSync(command, args, { encoding: 'utf8', ...options });
  if (done.status === 0) return done.stdout ?? '';
  throw new Error(
    `${command} ${args.join(' ')} failed:\n${done.error?.message ?? ''}${done.stdout ?? ''}${done.stderr ?? ''}`,
  );
}

/** Runs a command and passes on what it prints. Resolves to its exit code. */
export const passOn = (command, args, options = {}) =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: 'inherit', ...options });
    child.on('error', reject);
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });

export const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** The command line of a process, or '' where it cannot be read: tells a recorded pid from one used again. */
export const commandLine = (pid) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
  } catch {
    return '';
  }
};

/** Waits until a process is gone; resolves to whether it went in time. */
export async function gone(pid, milliseconds) {
  const until = performance.now() + milliseconds;
  while (isAlive(pid)) {
    if (performance.now() > until) return false;
    await sleep(50);
  }
  return true;
}

export const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** A TCP port that is free on the loopback address: `wanted` if it is, otherwise any. */
export const freePort = (wanted = 0) =>
  new Promise((resolve, reject) => {
    const probe = net.createServer();
    probe.once('error', (error) =>
      error.code === 'EADDRINUSE' && wanted !== 0 ? resolve(freePort(0)) : reject(error),
    );
    probe.listen(wanted, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
