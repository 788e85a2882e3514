/**
 * A group of values that are worked out when they are first asked for: a template mostly wants few
 * of them. Each stands in it under its own name, as templates see only what is a thing's own.
 *
 * @example lazily<{ twice: number }>({ twice: () => 2 * 21 }).twice // 42
 */
export function lazily<T extends object>(makers: { readonly [K in keyof T]: () => T[K] }): T {
  const made = {} as T;
  for (const key of Object.keys(makers) as (keyof T & string)[])
    Object.defineProperty(made, key, {
      enumerable: true,
      configurable: true,
      get: () => {
        const value = makers[key]();
        Object.defineProperty(made, key, { enumerable: true, value });
        return value;
      },
    });
  return made;
}
