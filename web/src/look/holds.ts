/** What is looked for stands in what is said of it: each word of it somewhere. */
export const holds = (text: string, ...said: (string | null | undefined)[]): boolean => {
  const all = said.join(' ').toLowerCase();
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
};
