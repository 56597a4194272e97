/** Names in a sentence: "A, B, C and 4 more". */
export const nameList = (names: readonly string[], most = 3): string =>
  names.length <= most
    ? names.join(', ')
    : `${names.slice(0, most).join(', ')} and ${names.length - most} more`;
