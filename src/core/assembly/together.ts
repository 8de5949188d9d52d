/** Conductors on one contact, by what each is called: “white”, “both screens”, “all 3 white cores of pair 2”. */
export function sayTogether(names: readonly string[]): readonly string[] {
  return [...new Set(names)].map((name) => {
    const count = names.filter((each) => each === name).length;
    if (count === 1) return name;
    const [colour = '', pair] = name.split(' of ');
    const several =
      colour === 'screen' || colour === 'drain'
        ? `${colour}s`
        : `${colour} cores${pair === undefined ? '' : ` of ${pair}`}`;
    return count === 2 ? `both ${several}` : `all ${count} ${several}`;
  });
}
