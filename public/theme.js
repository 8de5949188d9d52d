// Sets the theme before the first paint, so that a dark stage is never flashed at.
try {
  const chosen = localStorage.getItem('antler.theme') ?? localStorage.getItem('antler.ground');
  if (chosen) document.documentElement.dataset.theme = chosen;
} catch {
  /* storage is closed: the system's preference holds */
}
