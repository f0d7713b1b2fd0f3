import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import { usualCalls, type CallWords, type PartsSaid } from '@pomek/core';
import { TextField } from '../ui/text-field';
import { Speaker } from './speaker';

/** Whether what is called is spoken, how loud, and in which words. */
@Component({
  selector: 'pk-voice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, InputText, SelectButton, TextField],
  template: `
    @let it = speaker.settings();
    @if (!speaker.canSpeak()) {
      <p class="small soft">
        This browser has no voice: nothing is spoken, bells and words on the screen stay. You can record lines yourself,
        in the hall under “What is said, and when”.
      </p>
    } @else {
      <div class="row">
        <p-checkbox
          inputId="voice-on"
          [binary]="true"
          [ngModel]="it.on"
          (ngModelChange)="speaker.change({ on: $event })"
        />
        <label for="voice-on">Call aloud what comes</label>
      </div>
      @if (it.on) {
        <div class="row">
          <p-checkbox
            inputId="voice-cues"
            [binary]="true"
            [ngModel]="it.cues"
            (ngModelChange)="speaker.change({ cues: $event })"
          />
          <label for="voice-cues">and the cues as they come up</label>
        </div>
        <div class="field">
          <span class="label" id="voice-parts">Parts of a repetition</span>
          <p-selectbutton
            [options]="parts"
            optionLabel="label"
            optionValue="value"
            [allowEmpty]="false"
            [ngModel]="it.parts"
            (ngModelChange)="speaker.change({ parts: $event })"
            ariaLabelledBy="voice-parts"
          />
        </div>
        <label class="row small">
          How loud
          <input
            type="range"
            min="0"
            max="1"
            step="0.05"
            aria-label="How loud the voice is"
            [value]="it.volume"
            (input)="speaker.change({ volume: +$any($event.target).value })"
          />
        </label>
        <details>
          <summary>In these words</summary>
          <p class="small soft">{{ places }} stand for the exercise and its side. What is left empty is not said.</p>
          @for (line of lines; track line.key) {
            <div class="field">
              <label [for]="'voice-' + line.key">{{ line.label }}</label>
              <input
                pInputText
                [id]="'voice-' + line.key"
                [pkText]="it.words[line.key]"
                (pkTextChange)="change(line.key, $event)"
                maxlength="120"
              />
            </div>
          }
        </details>
        <p class="small soft">
          Any line can be said in your own voice: record it in the hall, under “What is said, and when”.
        </p>
        <div class="row">
          <p-button label="Hear it" size="small" variant="outlined" (onClick)="speaker.say(it.words.change)" />
          <p-button
            label="The usual words again"
            size="small"
            variant="text"
            (onClick)="speaker.changeWords(usualCalls)"
          />
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    summary {
      cursor: pointer;
    }
  `,
})
export class VoicePanel {
  protected readonly speaker = inject(Speaker);
  protected readonly usualCalls = usualCalls;
  protected readonly parts: { label: string; value: PartsSaid }[] = [
    { label: 'Not said', value: 'none' },
    { label: 'The first two times', value: 'new' },
    { label: 'Each time', value: 'all' },
  ];
  protected readonly places = '{name} and {side}';
  protected readonly lines: readonly { readonly key: keyof CallWords; readonly label: string }[] = [
    { key: 'takeUp', label: 'When an exercise begins' },
    { key: 'change', label: 'When the side changes' },
    { key: 'three', label: 'When three are left' },
    { key: 'last', label: 'At the last one' },
    { key: 'rest', label: 'In a rest' },
    { key: 'end', label: 'At the end' },
  ];

  protected change(key: keyof CallWords, text: string): void {
    this.speaker.changeWords({ [key]: text });
  }
}
