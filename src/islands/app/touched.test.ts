import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { changed, forget, remember } from './touched';

/** An address that answers what the house is at, once it is let. */
function answering() {
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: 60_000, retry: false } } });
  const asked: (() => void)[] = [];
  let house = 'old';
  const query = (at: string) => ({
    queryKey: [at],
    queryFn: () => {
      const is = house;
      return new Promise<string>((resolve) => asked.push(() => resolve(is)));
    },
  });
  const settle = async (): Promise<void> => {
    for (const answer of asked.splice(0)) answer();
    await new Promise((resolve) => setTimeout(resolve, 5));
  };
  return { client, asked, query, settle, becomes: (now: string) => (house = now) };
}

describe('what changed while it was asked for', () => {
  it('is not known where nobody shows it yet: the answer from before does not pass for new', async () => {
    const { client, query, settle, becomes } = answering();
    void client.prefetchQuery(query('/api/units/3f'));
    await new Promise((resolve) => setTimeout(resolve, 0));
    becomes('new');
    void changed(client, ['units 3f']);
    await settle();
    expect(client.getQueryData(['/api/units/3f'])).toBeUndefined();
    void client.prefetchQuery(query('/api/units/3f'));
    await settle();
    expect(client.getQueryData(['/api/units/3f'])).toBe('new');
  });

  it('is asked for again where it is shown, and once; what it does not touch is left alone', async () => {
    const { client, asked, query, settle, becomes } = answering();
    const leave = [query('/api/units/3f'), query('/api/prices')].map((each) =>
      new QueryObserver(client, each).subscribe(() => undefined),
    );
    await settle();
    becomes('new');
    void changed(client, ['units 3f']);
    expect(asked).toHaveLength(1);
    await settle();
    expect(client.getQueryData(['/api/units/3f'])).toBe('new');
    expect(client.getQueryData(['/api/prices'])).toBe('old');
    for (const each of leave) each();
  });

  it('is asked for again where it is shown and was never answered, and that is shown', async () => {
    const { client, asked, query, settle, becomes } = answering();
    const observer = new QueryObserver(client, query('/api/units/3f'));
    const seen: unknown[] = [];
    const leave = observer.subscribe(({ data }) => seen.push(data));
    becomes('new');
    void changed(client, ['units 3f']);
    await expect.poll(() => asked.length).toBe(2);
    await settle();
    expect(seen.at(-1)).toBe('new');
    expect(seen).not.toContain('old');
    leave();
  });

  it('is asked for when it is shown where it was only known', async () => {
    const { client, asked, query, settle, becomes } = answering();
    void client.prefetchQuery(query('/api/units/3f'));
    await settle();
    becomes('new');
    void changed(client, ['units 3f']);
    expect(asked).toHaveLength(0);
    const leave = new QueryObserver(client, query('/api/units/3f')).subscribe(() => undefined);
    await settle();
    expect(client.getQueryData(['/api/units/3f'])).toBe('new');
    leave();
  });

  it('is not asked for where it is taken out in this window, nor what belongs to it; until it stays after all', async () => {
    const { client, asked, query, settle } = answering();
    const shown = ['/api/leads/3f', '/api/leads/3f/entries', '/api/leads/3fa', '/api/board'];
    const leave = shown.map((at) => new QueryObserver(client, query(at)).subscribe(() => undefined));
    await settle();
    const askedFor = async (): Promise<number> => {
      void changed(client, ['all']);
      const count = asked.length;
      await settle();
      return count;
    };
    forget('/api/leads/3f');
    expect(await askedFor()).toBe(2);
    remember('/api/leads/3f');
    expect(await askedFor()).toBe(4);
    for (const each of leave) each();
  });
});
