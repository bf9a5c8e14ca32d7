import fc from 'fast-check';
import { circleIn, linedUp, longestFrom } from './graph';
import type { Node } from './graph';

/** Nodes that hang on earlier ones alone, in any order. */
const acyclic = fc
  .integer({ min: 1, max: 9 })
  .chain((n) =>
    fc.tuple(
      fc.array(fc.array(fc.boolean(), { minLength: n, maxLength: n }), {
        minLength: n,
        maxLength: n,
      }),
      fc.shuffledSubarray(
        Array.from({ length: n }, (_, i) => i),
        { minLength: n, maxLength: n },
      ),
    ),
  )
  .map(([edges, order]): Node[] =>
    order.map((i) => ({
      id: `n${i}`,
      after: edges[i].flatMap((has, j) => (has && j < i ? [`n${j}`] : [])),
    })),
  );

const follows = (order: readonly Node[]): boolean =>
  order.every(({ after }, i) =>
    after.every((id) => order.slice(0, i).some((one) => one.id === id)),
  );

it('lines nodes up so that everything comes after what it hangs on, each once', () => {
  fc.assert(
    fc.property(acyclic, fc.array(fc.nat(8)), (nodes, wanted) => {
      const order = linedUp(
        nodes,
        wanted.map((i) => `n${i}`),
      );
      expect([...order].sort((a, b) => a.id.localeCompare(b.id))).toEqual(
        [...nodes].sort((a, b) => a.id.localeCompare(b.id)),
      );
      expect(follows(order)).toBe(true);
    }),
  );
});

it('leaves an order as it is that is possible, whichever that is', () => {
  fc.assert(
    fc.property(acyclic, fc.infiniteStream(fc.nat(8)), (nodes, picks) => {
      // Any order at all: of what is free, one by chance.
      const left = [...nodes];
      const order: Node[] = [];
      while (left.length > 0) {
        const free = left.filter(({ after }) =>
          after.every((id) => order.some((one) => one.id === id)),
        );
        const next = free[(picks.next().value as number) % free.length];
        order.push(next);
        left.splice(left.indexOf(next), 1);
      }
      const ids = order.map(({ id }) => id);
      expect(linedUp(nodes, ids).map(({ id }) => id)).toEqual(ids);
    }),
  );
});

it('finds a circle wherever one node reaches itself, and says it', () => {
  const any = fc.integer({ min: 1, max: 7 }).chain((n) =>
    fc
      .array(fc.array(fc.nat(9), { minLength: n, maxLength: n }), { minLength: n, maxLength: n })
      .map((edges): Node[] =>
        edges.map((row, i) => ({
          id: `n${i}`,
          after: row.flatMap((chance, j) => (chance < 2 ? [`n${j}`] : [])),
        })),
      ),
  );
  fc.assert(
    fc.property(any, (nodes) => {
      // Who reaches whom, by every way there is (Warshall).
      const n = nodes.length;
      const reach = nodes.map(({ after }) => nodes.map(({ id }) => after.includes(id)));
      for (let k = 0; k < n; k++)
        for (let i = 0; i < n; i++)
          for (let j = 0; j < n; j++) reach[i][j] ||= reach[i][k] && reach[k][j];
      const circle = circleIn(nodes);
      expect(circle !== null).toBe(reach.some((row, i) => row[i]));
      if (!circle) return;
      expect(circle[0]).toBe(circle.at(-1));
      for (let i = 0; i + 1 < circle.length; i++)
        expect(nodes.find(({ id }) => id === circle[i])!.after).toContain(circle[i + 1]);
      expect(() => linedUp(nodes, [])).toThrow(RangeError);
    }),
  );
});

it('tells the most that hangs on a node as every way through it has it', () => {
  fc.assert(
    fc.property(acyclic, fc.array(fc.nat(50), { minLength: 9, maxLength: 9 }), (nodes, weights) => {
      const weight = (id: string) => weights[Number(id.slice(1))];
      const ways = (id: string): number =>
        weight(id) +
        Math.max(0, ...nodes.filter(({ after }) => after.includes(id)).map((one) => ways(one.id)));
      const found = longestFrom(linedUp(nodes, []), weight);
      for (const { id } of nodes) expect(found.get(id)).toBe(ways(id));
    }),
  );
});
