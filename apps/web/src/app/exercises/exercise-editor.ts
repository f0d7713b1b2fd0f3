import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { MultiSelect } from 'primeng/multiselect';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { Textarea } from 'primeng/textarea';
import {
  allCheckpoints,
  doseGivenAs,
  ExerciseSchema,
  doseGivings,
  families,
  givingOf,
  givingWords,
  movementLabels,
  movements,
  sidesOf,
  spokenWords,
  type Checkpoint,
  type DoseGiving,
  type Exercise,
  type Movement,
  type Phase,
  type Posture,
} from '@pomek/core';
import { Editing } from '../data/editing';
import { Repository } from '../data/repository';
import { DoseEditor } from '../ui/dose-editor';
import { linesOf } from '../ui/lines';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';
import { OwnPoints } from './own-points';
import { PhasesEditor } from './phases-editor';
import { TeachingEditor } from './teaching-editor';
import type { StandPlace } from './stand-place';
import { WrittenBody } from './written-body';

type ListKey = 'easier' | 'harder' | 'cautions';

/** Changes one of the teacher's own exercises; every value that is whole is kept at once. */
@Component({
  selector: 'pk-exercise-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Checkbox,
    DoseEditor,
    FormsModule,
    InputText,
    NotKept,
    MultiSelect,
    NumberField,
    OwnPoints,
    PhasesEditor,
    RouterLink,
    Select,
    SelectButton,
    TeachingEditor,
    TextField,
    Textarea,
    WrittenBody,
  ],
  templateUrl: './exercise-editor.html',
  styleUrl: './exercise-editor.scss',
})
export class ExerciseEditor {
  readonly id = input.required<string>();

  protected readonly edit = new Editing('exercises', this.id, ({ name }) => `Change ${name}`);
  protected readonly draft = this.edit.draft;
  protected readonly loaded = computed(() => this.edit.stored() !== undefined);

  /** The position that is written, in numbers and on the body; null is the posture. */
  protected readonly selected = signal<StandPlace | null>(null);
  /** What the body shows: what is typed, where it can be stood in, else what was kept last. */
  protected readonly shown = computed(() => {
    const draft = this.draft();
    return ExerciseSchema.safeParse(draft).success ? draft : this.edit.stored();
  });

  protected readonly movements = movements.map((value) => ({ value, label: movementLabels[value] }));
  protected readonly families = families.map((family) => ({ label: family, value: family }));
  protected readonly kinds = doseGivings.map((value) => ({ value, label: givingWords[value] }));
  protected readonly giving = computed(() => {
    const draft = this.draft();
    return draft == null ? 'hold' : givingOf(draft.defaultDose);
  });
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
  protected readonly tokens = spokenWords.map((word) => `{${word}}`).join(', ');
  protected readonly catalogue = allCheckpoints();
  private readonly shelf = toSignal(inject(Repository).exercises$, { initialValue: [] });
  /** What may be learned before: every exercise but itself. */
  protected readonly others = computed(() =>
    this.shelf()
      .filter(({ id }) => id !== this.id())
      .map(({ id, name }) => ({ id, name })),
  );

  protected setAngle(key: keyof Posture, value: number | null): void {
    if (value !== null) this.edit.apply({ at: ['posture', key], value });
  }

  protected setShare(percent: number | null): void {
    if (percent !== null) this.edit.set(['posture', 'weightShare'], percent / 100);
  }

  protected setPressure(percent: number | null): void {
    this.edit.set(['posture', 'pressurePoint'], percent === null ? null : percent / 100);
  }

  protected setTwoSided(twoSided: boolean): void {
    this.change((stored) => ({
      ...stored,
      twoSided,
      defaultDose: sidesOf(stored.defaultDose, twoSided, stored.hasDirections),
    }));
  }

  protected setDirections(hasDirections: boolean): void {
    this.change((stored) => ({
      ...stored,
      hasDirections,
      defaultDose: sidesOf(stored.defaultDose, stored.twoSided, hasDirections),
    }));
  }

  protected setKind(giving: DoseGiving): void {
    this.change((stored) => ({
      ...stored,
      defaultDose: doseGivenAs(stored.defaultDose, giving),
      phases: giving === 'hold' && stored.swaySeconds === null ? [] : stored.phases,
    }));
  }

  protected setTravel(key: 'out' | 'forward' | 'turnDeg', value: number | null): void {
    if (value !== null) this.edit.set(['travel', key], value, { out: 0, forward: 0, turnDeg: 0 });
  }

  protected changePhases(change: (phases: readonly Phase[]) => Phase[]): void {
    this.change((stored) => ({ ...stored, phases: change(stored.phases) }));
  }

  protected setList(key: ListKey, text: string): void {
    this.edit.type([key], linesOf(text));
  }

  protected has(id: string): boolean {
    return this.draft()?.checkpoints.some((point) => point.id === id) ?? false;
  }

  protected toggle(id: string, wanted: boolean): void {
    this.change((stored) => {
      const has = (point: Checkpoint): boolean => stored.checkpoints.some((entry) => entry.id === point.id);
      const chosen = this.catalogue.filter((point) => (point.id === id ? wanted : has(point)));
      const others = stored.checkpoints.filter((point) => !this.catalogue.some((entry) => entry.id === point.id));
      return { ...stored, checkpoints: [...chosen, ...others] };
    });
  }

  protected setMovement(movement: Movement, wanted: boolean): void {
    this.change((stored) => ({
      ...stored,
      movements: movements.filter((one) => (one === movement ? wanted : stored.movements.includes(one))),
    }));
  }

  private change(change: (stored: Exercise) => Exercise): void {
    void this.edit.change(`Change ${this.draft()?.name ?? ''}`, change);
  }
}
