import type { Said, Told } from './live.worker';

/**
 * Hears of what changes in the house, through the one ear that all windows of this browser share. Gives back how to hear no
 * more; nothing where this browser has no such worker.
 */
export function listenLive(hear: (told: Told) => void): (() => void) | undefined {
  if (typeof SharedWorker === 'undefined') return undefined;
  const worker = new SharedWorker(new URL('./live.worker.ts', import.meta.url), {
    type: 'module',
    name: 'antler',
  });
  worker.port.onmessage = ({ data }: MessageEvent<Told>) => hear(data);
  worker.port.start();
  const say = (said: Said): void => worker.port.postMessage(said);
  // What the page shows was asked for when it began.
  say({ since: performance.timeOrigin });
  const bye = (): void => say('bye');
  addEventListener('pagehide', bye);
  return () => {
    removeEventListener('pagehide', bye);
    bye();
    worker.port.close();
  };
}
