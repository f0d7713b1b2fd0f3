declare module 'node-webvtt' {
  interface Cue {
    readonly start: number;
    readonly end: number;
    readonly text: string;
  }
  const webvtt: {
    parse(text: string, options?: { readonly strict?: boolean }): { readonly valid: boolean; readonly cues: Cue[] };
  };
  export default webvtt;
}
