// Sets the ground before the first paint, so that a dark stage is never flashed at.
try {
  const chosen = localStorage.getItem('antler.ground');
  if (chosen) document.documentElement.dataset.ground = chosen;
} catch {
  /* storage is closed: the system's preference holds */
}
