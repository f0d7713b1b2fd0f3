declare module 'flesch' {
  /** Flesch reading ease of a text by its counts; 100 is very easy, under 30 very hard. */
  export default function flesch(counts: {
    readonly sentence: number;
    readonly word: number;
    readonly syllable: number;
  }): number;
}

declare module 'syllable' {
  /** Syllables of English text. */
  export default function syllable(text: string): number;
}
