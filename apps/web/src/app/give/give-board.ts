import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { RadioButton } from 'primeng/radiobutton';
import { Select } from 'primeng/select';
import { catchError, debounceTime, from, map, of, startWith, switchMap, type Observable } from 'rxjs';
import { upperFirst, type PersonRecord, counted } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices, reasonOf } from '../data/notices';
import { Store } from '../data/store';
import { DayPipe } from '../ui/day.pipe';
import { download } from '../ui/download';
import { sizeWords } from '../ui/size-words';
import { NumberField } from '../ui/number-field';
import { TimeField } from '../ui/time-field';
import {
  giftKinds,
  gifts,
  hindrance,
  mostWeeks,
  USUAL_WEEKS,
  type Gift,
  type GiftKind,
  type GiftOptions,
  type Practised,
} from './gift';
import { GiftLook } from './gift-look';
import { Giver, papersKinds, type Look, type Made } from './giver';
import { PaperMaker } from './paper-maker';

/** It is made anew when nothing was chosen for so long, ms. */
const SETTLE_MS = 250;
/** What is made once, whoever is in a class. */
const ofNobody: ReadonlySet<GiftKind> = new Set(['track', 'teacher']);
const withDoses: ReadonlySet<GiftKind> = new Set(['sheet', 'week-card', 'calendar', 'pin-up', 'pages']);
const withPictures: ReadonlySet<GiftKind> = new Set(['pages', 'teacher']);

/** What is shown at the moment: what will be given, that it is being made, or why it cannot be. */
type Shown =
  | { readonly kind: 'look'; readonly look: Look }
  | { readonly kind: 'making' }
  | { readonly kind: 'problem'; readonly why: string };

/** What is being made to be looked at. */
interface Looking {
  readonly gift: Gift;
  readonly look: Promise<Look>;
  readonly stop: AbortController;
  /** Whether it was asked for to give: then it is finished, whatever is looked at meanwhile. */
  given: boolean;
}

/** Everything that can be given, in one place: chosen, looked at, and handed out, to one person or to a whole class. */
@Component({
  selector: 'pk-give-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, DayPipe, FormsModule, GiftLook, NumberField, RadioButton, Select, TimeField],
  templateUrl: './give-board.html',
  styleUrl: './give-board.scss',
})
export class GiveBoard {
  private readonly clock = inject(Clock);
  private readonly giver = inject(Giver);
  private readonly papers = inject(PaperMaker);
  private readonly notices = inject(Notices);
  private readonly store = inject(Store);

  /** What can be practised, the likeliest first. */
  readonly practised = input.required<readonly Practised[]>();
  /** For whom; null while not all of it is read, nobody in it where it is for nobody in particular. */
  readonly people = input.required<readonly PersonRecord[] | null>();
  /** A class: each of those who are chosen gets their own. */
  readonly several = input(false);
  /** How many verdicts wait for the teacher, and would be taken as accepted. */
  readonly due = input(0);

  protected readonly kinds = giftKinds;
  protected readonly gifts = gifts;
  protected readonly today = this.clock.today;

  private readonly wanted = signal<GiftKind | null>(null);
  protected readonly practisedId = linkedSignal({
    source: () => this.practised().map(({ id }) => id),
    computation: (ids: readonly string[], before?: { value: string | null }): string | null =>
      before?.value != null && ids.includes(before.value) ? before.value : (ids[0] ?? null),
  });
  protected readonly chosen = computed(() => this.practised().find(({ id }) => id === this.practisedId()) ?? null);
  private readonly wantedWeeks = signal(USUAL_WEEKS);
  protected readonly mostWeeks = computed(() => mostWeeks[this.kind()] ?? 0);
  /** As many as are wanted, and no more than are told. */
  protected readonly weeks = computed(() =>
    this.mostWeeks() === 0 ? this.wantedWeeks() : Math.min(this.wantedWeeks(), this.mostWeeks()),
  );
  protected readonly startTime = signal('07:30');
  protected readonly pictures = signal(false);
  protected readonly voice = signal(true);
  private readonly leftOut = signal<ReadonlySet<string>>(new Set());
  private readonly lookedAt = signal<string | null>(null);
  private readonly options = computed((): GiftOptions => ({
    weeks: this.weeks(),
    startTime: this.startTime(),
    pictures: this.pictures(),
    voice: this.voice(),
  }));
  protected readonly reading = computed(() => this.people() === null);
  private readonly alone = computed(() => (this.several() ? null : (this.people()?.[0] ?? null)));
  protected readonly lastSheet = computed(() => this.alone()?.student.sheet ?? null);

  /** What is chosen; at first the sheet where there is something planned, else the page. */
  protected readonly kind = computed((): GiftKind => {
    const [wanted, practised] = [this.wanted(), this.chosen()];
    if (wanted !== null) return wanted;
    const person = this.alone();
    return practised !== null && person !== null && hindrance('sheet', practised, person) === '' ? 'sheet' : 'pin-up';
  });

  protected choose(kind: GiftKind): void {
    this.wanted.set(kind);
  }

  /** Everybody of a class, with why somebody cannot be given this. */
  protected readonly rows = computed(() => {
    const practised = this.chosen();
    if (!this.several() || practised === null || ofNobody.has(this.kind())) return [];
    return (this.people() ?? []).map((person) => ({
      id: person.student.id,
      name: person.student.name,
      chosen: !this.leftOut().has(person.student.id),
      why: hindrance(this.kind(), practised, person),
    }));
  });

  /** What will be made: one for each person, or one for nobody in particular. */
  protected readonly wantedGifts = computed((): Gift[] => {
    const [kind, practised, people, options] = [this.kind(), this.chosen(), this.people(), this.options()];
    if (practised === null || people === null) return [];
    const gift = (person: PersonRecord | null): Gift => ({ kind, practised, person, options });
    // A class without people is given what is for nobody in particular.
    if (!this.several() || people.length === 0) return [gift(people[0] ?? null)];
    if (ofNobody.has(kind)) return [gift(null)];
    return people
      .filter(({ student }) => !this.leftOut().has(student.id))
      .map(gift)
      .filter(({ person }) => hindrance(kind, practised, person) === '');
  });
  /** Why nothing can be made of what is chosen; empty where it can. */
  protected readonly hindered = computed(() => {
    const [practised, gifts] = [this.chosen(), this.wantedGifts()];
    if (practised === null || this.reading()) return '';
    if (!this.several() || this.people()?.length === 0)
      return hindrance(this.kind(), practised, gifts[0]?.person ?? null);
    if (gifts.length > 0) return '';
    return this.rows().some(({ chosen }) => chosen)
      ? 'Nobody who is chosen can be given this yet.'
      : 'Choose who it is for.';
  });
  /** Whose it is looked at. */
  protected readonly looked = computed(() => {
    if (this.hindered() !== '') return null;
    const gifts = this.wantedGifts();
    return gifts.find(({ person }) => person?.student.id === this.lookedAt()) ?? gifts[0] ?? null;
  });
  protected readonly lookChoices = computed(() =>
    this.several()
      ? this.wantedGifts().flatMap(({ person }) =>
          person === null ? [] : [{ id: person.student.id, name: person.student.name }],
        )
      : [],
  );
  protected readonly lookedId = computed(() => this.looked()?.person?.student.id ?? null);
  protected readonly shown = toSignal(
    toObservable(this.looked).pipe(
      debounceTime(SETTLE_MS),
      switchMap((gift): Observable<Shown | null> => {
        if (gift === null) return of(null);
        return from(this.look(gift).look).pipe(
          map((made): Shown => ({ kind: 'look', look: made })),
          catchError((error: unknown) => of<Shown>({ kind: 'problem', why: reasonOf(error) })),
          startWith<Shown>({ kind: 'making' }),
        );
      }),
    ),
    { initialValue: null },
  );
  /** Pictures are asked for only where there are some. */
  private readonly filmed = toSignal(
    toObservable(this.alone).pipe(switchMap((person) => (person === null ? of(false) : this.papers.isFilmed(person)))),
    { initialValue: false },
  );
  protected readonly asks = computed(() => ({
    weeks: this.mostWeeks() > 0,
    start: this.kind() === 'calendar',
    pictures: withPictures.has(this.kind()) && this.filmed(),
    due: withDoses.has(this.kind()) && this.due() > 0,
  }));

  /** What is recorded of what a sheet says, in words; empty where nothing is. It stands while the sheet is made anew. */
  protected readonly spoken = linkedSignal({
    source: () => this.shown(),
    computation: (shown: Shown | null, before?: { value: string }): string => {
      if (shown?.kind !== 'look' || shown.look.kind !== 'sheet')
        return this.kind() === 'sheet' ? (before?.value ?? '') : '';
      const { lines, bytes } = shown.look.voice;
      return lines === 0 ? '' : `${counted(lines, 'line')}, ${sizeWords(bytes)}`;
    },
  });

  protected readonly share = signal<number | null>(null);
  private stop: AbortController | null = null;
  protected readonly label = computed(() => {
    const count = this.wantedGifts().length;
    const each = this.several() && this.people()?.length !== 0 && !ofNobody.has(this.kind());
    return each ? `Download for ${count}` : 'Download';
  });
  protected readonly canShare = typeof navigator.canShare === 'function';

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.stop?.abort();
      this.looking?.stop.abort();
    });
    // Whoever was left out of one class is not left out of the next.
    effect(() => {
      const ids = new Set((this.people() ?? []).map(({ student }) => student.id));
      this.leftOut.update((left) => ([...left].every((id) => ids.has(id)) ? left : new Set()));
    });
  }

  protected take(id: string, chosen: boolean): void {
    this.leftOut.update((left) => {
      const now = new Set(left);
      if (chosen) now.delete(id);
      else now.add(id);
      return now;
    });
  }

  protected tell(weeks: number | null): void {
    if (weeks !== null) this.wantedWeeks.set(weeks);
  }

  protected see(id: string): void {
    this.lookedAt.set(id);
  }

  protected async give(how: 'download' | 'share'): Promise<void> {
    const gifts = this.wantedGifts();
    if (this.share() !== null || gifts.length === 0) return;
    const stop = new AbortController();
    this.stop = stop;
    this.share.set(0);
    try {
      const made = await this.made(gifts, stop.signal);
      if (made.writes.length > 0) await this.store.write(`Give ${this.what()}`, made.writes);
      if (how === 'share') await this.handOn(made);
      else {
        download(made.name, made.file, made.file.type);
        this.notices.done(`${this.what(true)} made`, { detail: `${made.name} is in your Downloads folder.` });
      }
    } catch (error) {
      if (!stop.signal.aborted) this.notices.failure('Nothing was made', error);
    } finally {
      this.stop = null;
      this.share.set(null);
    }
  }

  protected end(): void {
    this.stop?.abort();
  }

  /** What is being looked at. */
  private looking: Looking | null = null;

  /** The same is made once, whether it is asked for to look at or to give; what nobody waits for any more is not finished. */
  private look(gift: Gift): Looking {
    if (this.looking?.gift === gift) return this.looking;
    if (this.looking?.given === false) this.looking.stop.abort();
    const stop = new AbortController();
    const looking = { gift, look: this.giver.look(gift, stop.signal), stop, given: false };
    this.looking = looking;
    // What failed can be asked for again.
    looking.look.catch(() => {
      if (this.looking === looking) this.looking = null;
    });
    return looking;
  }

  /** What is looked at is given as it is seen; all else is made now. */
  private async made(gifts: readonly Gift[], stop: AbortSignal): Promise<Made> {
    const [gift] = gifts;
    if (gifts.length === 1 && gift !== undefined && papersKinds.has(gift.kind)) {
      const looking = this.look(gift);
      looking.given = true;
      const look = await looking.look;
      stop.throwIfAborted();
      if (look.kind === 'pdf') return look.made;
    }
    return this.giver.make(gifts, (share) => this.share.set(share), stop);
  }

  /** To another program of the phone, where it takes files. */
  private async handOn({ name, file }: Made): Promise<void> {
    const data = { files: [new File([file], name, { type: file.type })] };
    if (!navigator.canShare(data)) {
      download(name, file, file.type);
      return;
    }
    await navigator.share(data).catch((error: unknown) => {
      // Whoever turns back there has given nothing, and nothing is wrong.
      if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
    });
  }

  private what(upper = false): string {
    const { label } = gifts[this.kind()];
    const words = label.replace(/^A /, '');
    return upper ? upperFirst(words) : words;
  }
}
