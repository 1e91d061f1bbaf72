/** Whether a text has all the words that were typed, wherever in it; every text where none was. */
export function hasAll(typed: string): (text: string) => boolean {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return (text) => {
    const said = text.toLowerCase();
    return words.every((word) => said.includes(word));
  };
}
