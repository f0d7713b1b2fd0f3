import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { Textarea } from 'primeng/textarea';
import { switchMap } from 'rxjs';
import { ExerciseSchema, allCheckpoints, families, pathWords, type Exercise, type Posture } from '@pomek/core';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { DoseEditor } from '../ui/dose-editor';
import { NumberField } from '../ui/number-field';
import { PhasesEditor } from './phases-editor';
import { doseOfKind, sidesOf } from './reshape-dose';

type ListKey = 'easier' | 'harder' | 'cautions';

/** Changes one of the teacher's own exercises; every change that is whole is kept at once. */
@Component({
  selector: 'pk-exercise-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Checkbox,
    DoseEditor,
    FormsModule,
    InputText,
    NumberField,
    PhasesEditor,
    RouterLink,
    Select,
    SelectButton,
    Textarea,
  ],
  templateUrl: './exercise-editor.html',
  styleUrl: './exercise-editor.scss',
})
export class ExerciseEditor {
  private readonly store = inject(Store);
  private readonly repository = inject(Repository);
  readonly id = input.required<string>();

  private readonly stored = toSignal(
    toObservable(this.id).pipe(switchMap((id) => this.repository.one('exercises', id))),
  );
  protected readonly draft = signal<Exercise | null>(null);
  protected readonly loaded = computed(() => this.stored() !== undefined);
  protected readonly problems = computed(() => {
    const draft = this.draft();
    const parsed = draft === null ? null : ExerciseSchema.safeParse(draft);
    return parsed?.error?.issues.map((issue) => `${pathWords(issue.path)}: ${issue.message}`) ?? [];
  });

  protected readonly families = families.map((family) => ({ label: family, value: family }));
  protected readonly kinds = [
    { label: 'A hold', value: 'hold' },
    { label: 'Repetitions', value: 'cycle' },
    { label: 'Breaths', value: 'breath' },
  ];
  protected readonly lists: readonly { key: ListKey; label: string }[] = [
    { key: 'easier', label: 'Easier, a line each' },
    { key: 'harder', label: 'Harder, in order, a line each' },
    { key: 'cautions', label: 'Cautions, a line each' },
  ];
  protected readonly angles: readonly { key: keyof Posture; label: string; max: number }[] = [
    { key: 'kneeBendDeg', label: 'Knee bend', max: 150 },
    { key: 'trunkPitchDeg', label: 'Trunk forward', max: 100 },
    { key: 'shoulderRaiseDeg', label: 'Arms raised', max: 180 },
    { key: 'elbowBendDeg', label: 'Elbows bent', max: 160 },
  ];
  protected readonly catalogue = allCheckpoints();

  constructor() {
    effect(() => {
      const stored = this.stored();
      if (stored === null || stored === undefined) return;
      // A draft that is not whole yet is not in the storage; do not overwrite it by what is.
      if (untracked(this.problems).length === 0) this.draft.set(stored);
    });
  }

  protected change(part: Partial<Exercise>): void {
    const before = this.draft();
    if (before === null) return;
    const draft = { ...before, ...part };
    this.draft.set(draft);
    const parsed = ExerciseSchema.safeParse(draft);
    if (!parsed.success) return;
    const key = `${draft.id} ${Object.keys(part).join()}`;
    void this.store.write(`Change ${parsed.data.name}`, [{ table: 'exercises', put: parsed.data }], key);
  }

  protected changePosture(part: Partial<Posture>): void {
    const draft = this.draft();
    if (draft !== null) this.change({ posture: { ...draft.posture, ...part } });
  }

  protected setAngle(key: keyof Posture, value: number | null): void {
    if (value !== null) this.changePosture({ [key]: value });
  }

  protected setShare(percent: number | null): void {
    if (percent !== null) this.changePosture({ weightShare: percent / 100 });
  }

  protected setPressure(percent: number | null): void {
    this.changePosture({ pressurePoint: percent === null ? null : percent / 100 });
  }

  protected setSides(twoSided: boolean, hasDirections: boolean): void {
    const draft = this.draft();
    if (draft === null) return;
    this.change({ twoSided, hasDirections, defaultDose: sidesOf(draft.defaultDose, twoSided, hasDirections) });
  }

  protected setKind(kind: Exercise['defaultDose']['kind']): void {
    const draft = this.draft();
    if (draft !== null)
      this.change({ defaultDose: doseOfKind(draft.defaultDose, kind), phases: kind === 'cycle' ? draft.phases : [] });
  }

  protected setList(key: ListKey, text: string): void {
    const lines = text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '');
    this.change({ [key]: lines });
  }

  protected has(id: string): boolean {
    return this.draft()?.checkpoints.some((point) => point.id === id) ?? false;
  }

  protected toggle(id: string, wanted: boolean): void {
    const draft = this.draft();
    if (draft === null) return;
    const others = draft.checkpoints.filter((point) => !this.catalogue.some((entry) => entry.id === point.id));
    const chosen = this.catalogue.filter((point) => (point.id === id ? wanted : this.has(point.id)));
    this.change({ checkpoints: [...chosen, ...others] });
  }
}
