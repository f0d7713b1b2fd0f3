import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { differenceInCalendarDays, format, getISODay, parseISO } from 'date-fns';
import {
  durationWords,
  nextMeeting,
  timeline,
  verdictWeight,
  type Meeting,
  type Standing,
  type Student,
} from '@pomek/core';
import { classLesson } from '../data/class-lesson';
import { Clock } from '../data/clock';
import { schoolOf } from '../data/gathered';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { SPACE } from '../data/space';
import { Standings } from '../data/standings';
import { VerdictMark } from '../ui/verdict-mark';
import { classTimes, meetingDay } from '../ui/class-words';
import { daysAgo } from '../ui/day-words';
import { CameInList } from './came-in';
import { FirstSteps } from './first-steps';

/** Who practises what today, whose plan is due, who has not been seen. */
@Component({
  selector: 'pk-today-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, CameInList, FirstSteps, RouterLink, VerdictMark],
  templateUrl: './today-board.html',
  styleUrl: './today-board.scss',
})
export class TodayBoard {
  private readonly clock = inject(Clock);
  private readonly ownSchool = inject(OwnSchool);
  private readonly repository = inject(Repository);
  private readonly standings = inject(Standings).look();
  protected readonly space = inject(SPACE);

  protected readonly students = toSignal(this.repository.students$);
  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly plans = toSignal(this.repository.plans$, { initialValue: [] });
  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  private readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  protected readonly journals = toSignal(this.repository.journals$, { initialValue: [] });

  protected readonly beginning = computed(
    () => this.students()?.length === 0 || (this.students() !== undefined && this.plans().length === 0),
  );
  /** How far it is; null when all is known. */
  protected readonly looking = this.standings.looking;
  protected readonly failed = this.standings.failed;
  private readonly standing = computed(
    (): ReadonlyMap<string, Standing> =>
      new Map(
        this.standings.known().flatMap(({ standing }) => (standing === null ? [] : [[standing.studentId, standing]])),
      ),
  );
  protected readonly anyLog = computed(() => [...this.standing().values()].some(({ lastDay }) => lastDay !== null));
  /** Those of whom nothing can be said, and why. */
  protected readonly problems = computed(() => this.standings.known().filter(({ problem }) => problem !== ''));

  protected readonly practising = computed(() => {
    const today = this.clock.today();
    const weekday = getISODay(parseISO(today));
    return (this.students() ?? [])
      .filter(({ practiceDays }) => practiceDays.includes(weekday))
      .map((student) => {
        const known = this.standing().get(student.id);
        return {
          student,
          done: known?.lastDay === today,
          routines: known === undefined ? this.named(student) : known.routines.map(planned),
        };
      });
  });

  protected readonly due = computed(() =>
    this.standings
      .known()
      .flatMap(({ student, standing }) => {
        const [first] = standing?.due ?? [];
        return first === undefined ? [] : [{ student, verdicts: standing!.due, first }];
      })
      .toSorted((a, b) => verdictWeight[a.first.kind] - verdictWeight[b.first.kind]),
  );

  protected readonly unseen = computed(() =>
    this.standings.known().flatMap(({ student, standing }) => {
      const lastDay = standing?.lastDay ?? null;
      if (lastDay === null) return [];
      const days = differenceInCalendarDays(parseISO(this.clock.today()), parseISO(lastDay));
      // From here on the dose is eased: the same days as in the verdicts.
      const away = schoolOf(this.schools(), student.schoolId).raise.easeGapDays;
      return days >= away ? [{ student, days }] : [];
    }),
  );

  protected again(): void {
    this.standings.again();
  }

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
    const plan = classLesson(of, this.routines(), this.chains(), this.ownSchool.school(), this.shelf());
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

const planned = ({ id, name, seconds }: Standing['routines'][number]): PlannedRoutine => ({
  id,
  name,
  length: seconds === null ? 'locked until it is cleared' : durationWords(seconds),
});
