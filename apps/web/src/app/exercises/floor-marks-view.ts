import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { floorPlan, floorPlanWords, type FigurePose } from '@pomek/core';
import { Notices } from '../data/notices';
import { BodyForms } from '../space/body-forms';
import { bodyPictures } from '../space/body-pictures';
import { download, fileName } from '../ui/download';
import { layoutFloor } from '../ui/floor.layout';
import { FloorDrawing } from '../ui/floor-drawing';

/** Where to put the tape on the floor, to read, to see and to print. */
@Component({
  selector: 'pk-floor-marks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FloorDrawing],
  template: `
    <div class="floor">
      <pk-floor-drawing [drawing]="drawing()" [pxPerCm]="3.6" [label]="words().join('. ')" />
      <div class="stack">
        <h3>Tape for {{ name() }}</h3>
        <ul>
          @for (line of words(); track line) {
            <li class="num">{{ line }}</li>
          }
        </ul>
        <p class="small soft">
          Foot {{ plan().footCm }} cm. The crosses are where the weight presses; the wedge is where it falls.
        </p>
        <p-button label="Print on A4" icon="pi pi-print" variant="outlined" [loading]="busy()" (onClick)="print()" />
      </div>
    </div>
  `,
  styles: `
    .floor {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 1.5rem;
      align-items: start;
    }
    li::first-letter {
      text-transform: uppercase;
    }
    @media (width < 1000px) {
      .floor {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class FloorMarksView {
  private readonly notices = inject(Notices);
  private readonly forms = inject(BodyForms);
  readonly pose = input.required<FigurePose>();
  readonly name = input.required<string>();
  readonly exercise = input.required<string>();

  protected readonly plan = computed(() => floorPlan(this.pose()));
  protected readonly words = computed(() => floorPlanWords(this.plan()));
  protected readonly drawing = computed(() => layoutFloor(this.plan()));
  protected readonly busy = signal(false);

  protected async print(): Promise<void> {
    this.busy.set(true);
    const pose = this.pose();
    let bodies: Awaited<ReturnType<typeof bodyPictures>> = null;
    try {
      const { PICTURE_PX, floorSheet, standing } = await import('../print/printing');
      bodies = await bodyPictures(this.forms.of(pose.body), PICTURE_PX);
      const picture = standing(pose, bodies?.draw ?? null);
      const file = await floorSheet(this.exercise(), this.name(), this.drawing(), this.words(), picture);
      download(`${fileName(`floor marks ${this.exercise()}`)}.pdf`, file, 'application/pdf');
      this.notices.done('The sheet is in your downloads', { detail: 'Print it at 100 %, then measure the bar.' });
    } catch (error) {
      this.notices.failure('The sheet could not be made', error);
    } finally {
      bodies?.end();
      this.busy.set(false);
    }
  }
}
