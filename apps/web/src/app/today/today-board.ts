import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { differenceInCalendarDays, format, getISODay, parseISO } from 'date-fns';
import { nextMeeting, practisedOn, durationWords, timeline, type Meeting, type Student } from '@pomek/core';
import { classLesson } from '../data/class-lesson';
import { Clock } from '../data/clock';
import { Everybody, type OneOfAll } from '../data/everybody';
import { inSlices } from '../data/in-slices';
import { Repository } from '../data/repository';
import { SPACE } from '../data/space';
import { verdictWeight } from '../data/verdicts';
import { VerdictMark } from '../ui/verdict-mark';
import { classTimes, meetingDay } from '../ui/class-words';
import { daysAgo } from '../ui/day-words';
import { CameInList } from './came-in';
import { FirstSteps } from './first-steps';

/** Who practises what today, whose plan is due, who has not been seen. */
@Component({
  selector: 'pk-today-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, CameInList, FirstSteps, RouterLink, VerdictMark],
  templateUrl: './today-board.html',
  styleUrl: './today-board.scss',
})
export class TodayBoard {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  private readonly everybody = inject(Everybody);
  protected readonly space = inject(SPACE);

  protected readonly students = this.everybody.students;
  protected readonly routines = this.everybody.routines;
  protected readonly plans = this.everybody.plans;
  protected readonly journals = toSignal(this.repository.journals$, { initialValue: [] });

  protected readonly beginning = computed(
    () => this.students()?.length === 0 || (this.students() !== undefined && this.plans().length === 0),
  );
  protected readonly known = this.everybody.known;
  protected readonly anyLog = this.everybody.anyLog;

  /** Those whose verdicts are worked out already: what is long goes on in slices. */
  private readonly judged = inSlices(this.everybody.soFar, (one) => {
    one.verdicts();
    this.planned(one);
  });
  /** How far it is; null when all is known. */
  protected readonly looking = computed(() => {
    const [students, done] = [this.students()?.length ?? 0, this.judged().size];
    return this.known() && done >= students ? null : { done, of: students };
  });

  protected readonly practising = computed(() => {
    const today = this.clock.today();
    const weekday = getISODay(parseISO(today));
    const known = new Map([...this.judged()].map((one) => [one.student.id, one]));
    return (this.students() ?? [])
      .filter(({ practiceDays }) => practiceDays.includes(weekday))
      .map((student) => {
        const one = known.get(student.id);
        return {
          student,
          done: one?.person.lastDay === today,
          routines: one === undefined ? this.named(student) : this.planned(one),
        };
      });
  });

  protected readonly due = computed(() =>
    [...this.judged()]
      .map(({ student, verdicts }) => {
        const due = verdicts()
          .filter((entry) => entry.due)
          .toSorted((a, b) => verdictWeight[a.verdict.kind] - verdictWeight[b.verdict.kind]);
        return { student, verdicts: due, first: due[0] };
      })
      .filter((entry) => entry.first !== undefined)
      .toSorted((a, b) => verdictWeight[a.first!.verdict.kind] - verdictWeight[b.first!.verdict.kind]),
  );

  protected readonly unseen = computed(() =>
    this.everybody
      .all()
      .map(({ student, person: { lastDay, today, school } }) => ({
        student,
        // From here on the dose is eased: the same days as in the verdicts.
        away: school.raise.easeGapDays,
        days: lastDay === null ? null : differenceInCalendarDays(parseISO(today), parseISO(lastDay)),
      }))
      .filter((entry) => entry.days !== null && entry.days >= entry.away),
  );

  private readonly classes = toSignal(this.repository.classes$, { initialValue: [] });
  private readonly chains = toSignal(this.repository.chains$, { initialValue: [] });
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  /** The last meeting of each class. */
  private readonly met = toSignal(this.repository.lastMeetings(), { initialValue: new Map<string, Meeting>() });
  /** The class that comes next: when and where, what, how many belong to it, and what was taught last. */
  protected readonly nextClass = computed(() => {
    const [today, now] = [this.clock.today(), this.clock.now()];
    const time = format(now, 'HH:mm');
    const ahead = this.classes().map((of) => {
      const last = this.met().get(of.id) ?? null;
      return { of, last, day: nextMeeting(of, today, time, last?.day === today) };
    });
    const [next] = ahead.toSorted((a, b) => a.day.localeCompare(b.day) || a.of.startsAt.localeCompare(b.of.startsAt));
    if (next === undefined) return null;
    const { of, last, day } = next;
    const plan = classLesson(of, this.routines(), this.chains(), this.schools(), this.everybody.shelf());
    const known = new Set((this.students() ?? []).map(({ id }) => id));
    const names = new Map((this.students() ?? []).map(({ id, name }) => [id, name]));
    const missed = last === null ? [] : of.roster.filter((id) => !last.present.includes(id));
    return {
      id: of.id,
      name: of.name,
      when: day === today ? `today ${of.startsAt}` : `${meetingDay(day, today)}, ${classTimes(of).slice(4)}`,
      place: of.place,
      people: of.roster.filter((id) => known.has(id)).length,
      what: plan === null ? 'nothing to practise yet' : plan.routine.name,
      length: plan === null ? '' : durationWords(timeline(plan.routine).totalMs / 1000),
      last: last === null ? '' : `${last.lesson?.teaches ?? last.routineName} ${daysAgo(last.day, today)}`,
      missed: missed.flatMap((id) => names.get(id) ?? []).join(', '),
      waiting: (last?.waiting ?? []).flatMap((id) => names.get(id) ?? []).join(', '),
    };
  });

  private readonly plannedFor = new WeakMap<OneOfAll, readonly PlannedRoutine[]>();

  /** The routines of somebody as they will be practised: what is locked is left out. */
  private planned(one: OneOfAll): readonly PlannedRoutine[] {
    const before = this.plannedFor.get(one);
    if (before !== undefined) return before;
    const planned = one.person.plans.flatMap((plan): PlannedRoutine[] => {
      const dosed = practisedOn(plan, one.person);
      if (dosed === null) return [];
      const left = dosed.segments.some(({ type }) => type === 'exercise');
      const length = left ? durationWords(timeline(dosed).totalMs / 1000) : 'locked until it is cleared';
      return [{ id: dosed.id, name: dosed.name, length }];
    });
    this.plannedFor.set(one, planned);
    return planned;
  }

  /** The routines that somebody was given, while it is not known yet what is practised of them today. */
  private named({ id }: Student): readonly PlannedRoutine[] {
    const given = this.plans().filter(({ studentId }) => studentId === id);
    return given.flatMap(({ routineId }) =>
      this.routines().flatMap((routine): PlannedRoutine[] =>
        routine.id === routineId ? [{ id: routineId, name: routine.name, length: '…' }] : [],
      ),
    );
  }
}

/** A routine of somebody, with its length in words. */
interface PlannedRoutine {
  readonly id: string;
  readonly name: string;
  readonly length: string;
}
