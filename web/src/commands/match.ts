/** What is looked for by a few letters: its name, and other words that it is known by. */
export interface Findable {
  name: string
  words?: string
}

/** How well a word of the query fits: 3 where the name begins with it, 2 where one of its words does, 1 where it is somewhere in it, 0.5 where another word for it begins so. */
function fit(word: string, { name, words }: Findable): number {
  const lower = name.toLowerCase()
  if (lower.startsWith(word)) return 3
  if (beginsAWord(lower, word)) return 2
  if (lower.includes(word)) return 1
  return words && beginsAWord(words.toLowerCase(), word) ? 0.5 : 0
}

const beginsAWord = (text: string, word: string) => text.split(/[^\p{L}\p{N}]+/u).some((w) => w.startsWith(word))

/** Those that every word of the query fits, the best first; of equals those that come first and are shorter. */
export function matching<T extends Findable>(all: readonly T[], query: string, most: number): T[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return all.slice(0, most)
  return all
    .map((one, at) => {
      const fits = words.map((w) => fit(w, one))
      return { one, at, score: fits.includes(0) ? 0 : fits.reduce((a, b) => a + b, 0) - one.name.length / 1000 }
    })
    .filter((f) => f.score > 0)
    .sort((a, b) => b.score - a.score || a.at - b.at)
    .slice(0, most)
    .map((f) => f.one)
}
