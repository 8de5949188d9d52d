import type { AstroGlobal } from 'astro';
import { pageAt } from '../islands/pages';

/** A page's title, and what its island is drawn with and taken over with. */
export interface SentPage {
  readonly title: string;
  readonly props: { readonly at: string; readonly sent: string };
}

/** Asks for what a page shows. Its status is that of what it shows: 404 of a lead that there is none of, 503 while the database is away. */
export async function sendPage(astro: AstroGlobal): Promise<SentPage> {
  const at = astro.url.pathname + astro.url.search;
  const page = pageAt(at);
  const sent = await Promise.all((page?.needs ?? []).map((address) => astro.locals.answerOf(address)));
  const more = page?.then?.(sent.map(({ value }) => value)) ?? [];
  sent.push(...(await Promise.all(more.map((address) => astro.locals.answerOf(address)))));
  const failed = page ? sent.find((each) => each.failed)?.failed : { status: 404 };
  if (failed) astro.response.status = failed.status;
  return { title: page?.title ?? 'Not here', props: { at, sent: JSON.stringify(sent) } };
}
