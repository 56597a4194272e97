/** Names in a sentence: "A, B, C and 4 more". */
export const nameList = (names: readonly string[], most = 3, between = ', '): string =>
  names.length <= most
    ? names.join(between)
    : `${names.slice(0, most).join(between)} and ${names.length - most} more`;
