import { compareAims, compareGentleness, compareGrowth, endOf } from '../plan/season/aims';
import type { Joint, Label } from '../plan/season/joint';

/** Every end that a season can come to under its rails: all sets of raises in all weeks, waiting included, nothing left out. */
function everyEnd(joint: Joint): Label[] {
  const ends: Label[] = [];
  const goOn = (label: Label, week: number): void => {
    if (week >= joint.problem.mostWeeks || joint.finished(label, week)) {
      ends.push(label);
      return;
    }
    const ready = joint.ready(label, week);
    for (let bits = 0; bits < 2 ** ready.length; bits += 1) {
      const rising = label.nodes.map((_, index) => ready.includes(index) && ((bits >> ready.indexOf(index)) & 1) === 1);
      if (joint.broken(label, week, rising) === null) goOn(joint.next(label, week, rising), week + 1);
    }
  };
  goOn(joint.root(), joint.firstWeek);
  return ends;
}

/** The best of all seasons, and whether no other is as good. For seasons of a few weeks. */
export function bestOfEvery(joint: Joint): { readonly best: Label; readonly unique: boolean } {
  const ends = everyEnd(joint).map((label) => ({ label, aims: endOf(joint, label) }));
  const [first, second] = ends.toSorted((a, b) => compareAims(a.aims, b.aims) || compareGrowth(a.label, b.label));
  const unique =
    second === undefined ||
    compareAims(first!.aims, second.aims) !== 0 ||
    compareGentleness(first!.label, second.label) !== 0;
  return { best: first!.label, unique };
}
