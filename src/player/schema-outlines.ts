/**
 * As much of Zod as the player reads of the schemas: the shapes of objects, the values of literals, the options of choices. It
 * stands in for Zod when the player is bundled: a document was checked before it left, and checking it again would make the player
 * three times as large.
 */
type Outline = ((...given: readonly unknown[]) => Outline) & Record<string, unknown>;

const MAKES_SHAPE = ['object', 'strictObject', 'looseObject', 'extend', 'safeExtend'];

/** An outline that answers every method with an outline; what it knows of itself stands in `facts`. */
function outline(facts: Readonly<Record<string, unknown>> = {}): Outline {
  return new Proxy((() => {}) as unknown as Outline, {
    get(_, name) {
      if (typeof name === 'symbol') return undefined;
      if (name in facts) return facts[name];
      // Walking through a schema would find nothing, and whoever walks would go on as if there were nothing.
      if (name === 'def' || name === 'safeParse') throw new Error('The player has no schemas.');
      return (...given: readonly unknown[]) => {
        const [first] = given;
        // The manners that ship are read as they stand; the player gives nothing a manner.
        if (name === 'parse') return first as Outline;
        if (MAKES_SHAPE.includes(name))
          return outline({ shape: { ...(facts.shape as object), ...(first as object) } });
        if (name === 'literal') return outline({ value: first });
        if (name === 'enum')
          return outline({ options: Array.isArray(first) ? first : Object.values(first as object) });
        // What only narrows a schema leaves its shape as it is.
        return outline(facts);
      };
    },
    apply: () => outline(),
  });
}

export const z = outline();
