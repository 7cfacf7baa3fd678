const pairs: Record<string, string> = {
  a: 'à',
  c: 'ç',
  d: 'ď',
  e: 'ë',
  g: 'ğ',
  h: 'ĥ',
  i: 'î',
  l: 'ļ',
  n: 'ñ',
  o: 'ö',
  r: 'ř',
  s: 'š',
  t: 'ť',
  u: 'û',
  w: 'ŵ',
  y: 'ÿ',
  z: 'ž',
};

/**
 * Words with an accent on every small letter that has one: as good to read, and not to be mistaken for words that took another way to
 * the screen.
 */
export const accented = (words: string) => words.replace(/[a-z]/g, (letter) => pairs[letter] ?? letter);
