/** Fetches the styles that a page would be sent with and that are not here. */
export async function fetchStyles(at: string): Promise<void> {
  const sent = await (await fetch(at)).text();
  const links = new DOMParser().parseFromString(sent, 'text/html').querySelectorAll('link[rel=stylesheet]');
  const missing = [...links]
    .map((link) => link.getAttribute('href') ?? '')
    .filter((href) => document.querySelector(`link[href="${CSS.escape(href)}"]`) === null);
  await Promise.all(
    missing.map(
      (href) =>
        new Promise((resolve, reject) => {
          const link = document.createElement('link');
          Object.assign(link, { rel: 'stylesheet', href, onload: resolve, onerror: reject });
          document.head.append(link);
        }),
    ),
  );
}
