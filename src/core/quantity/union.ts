/** Sets of names that have been made one, by union and find. */
export class Union {
  private readonly parent = new Map<string, string>();

  find(name: string): string {
    let root = name;
    for (let up = this.parent.get(root); up !== undefined && up !== root; up = this.parent.get(root))
      root = up;
    if (root !== name) this.parent.set(name, root);
    return root;
  }

  join(a: string, b: string): void {
    this.parent.set(this.find(b), this.find(a));
  }
}
