// A page whose script did not come can be read and does nothing: it says so, and is loaded again when the app answers.
(() => {
  const isDead = () => document.querySelector('fieldset[data-page]:disabled') !== null;
  const KEY = 'antler.loaded-again';
  const again = () => {
    // A slow machine is not a dead page: no more than once a minute.
    if (Date.now() - Number(sessionStorage.getItem(KEY) ?? 0) < 60_000) return;
    sessionStorage.setItem(KEY, `${Date.now()}`);
    location.reload();
  };
  const look = () => {
    if (!isDead()) return document.querySelector('[data-late]')?.remove();
    if (!document.querySelector('[data-late]')) {
      const said = document.createElement('p');
      said.setAttribute('role', 'status');
      said.setAttribute('data-late', '');
      said.textContent =
        'This page has not come whole: it can be read, and nothing on it can be pressed yet. It is loaded again as soon as Antler answers.';
      document.body.prepend(said);
    }
    fetch('/api/health', { cache: 'no-store' })
      .then((answer) => (answer.ok && isDead() ? again() : undefined))
      .catch(() => undefined)
      .finally(() => setTimeout(look, 3_000));
  };
  addEventListener('load', () => setTimeout(look, 8_000));
})();
