/**
 * A sentence with its values put in.
 *
 * @param sentence with {names}
 * @throws Error where a value is missing: a sentence with a hole would be printed
 * @example fillWords('{hours} of {required}', { hours: '12 h', required: '24 h' }) // '12 h of 24 h'
 */
export const fillWords = (sentence: string, values: Readonly<Record<string, string | number>> = {}): string =>
  sentence.replaceAll(/\{(\w+)\}/g, (_, name: string) => {
    const value = values[name];
    if (value === undefined) throw new Error(`"${sentence}" wants {${name}}`);
    return String(value);
  });
