const collator = new Intl.Collator(undefined, { numeric: true });

/** Order of two named things as people read a list: “Group 2” comes before “Group 10”. */
export const byName = (a: { readonly name: string }, b: { readonly name: string }): number =>
  collator.compare(a.name, b.name);
