/** Joins numbered places and says which are together. */
export class UnionFind {
  private readonly parent: Int32Array;

  constructor(private readonly count: number) {
    this.parent = new Int32Array(count);
    this.clear();
  }

  clear(): void {
    for (let index = 0; index < this.count; index += 1) this.parent[index] = index;
  }

  root(place: number): number {
    const { parent } = this;
    let at = place;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  }

  join(a: number, b: number): void {
    this.parent[this.root(a)] = this.root(b);
  }
}
