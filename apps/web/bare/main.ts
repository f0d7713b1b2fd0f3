import { Component, provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import Aura from '@primeuix/themes/aura';
import { Button } from 'primeng/button';
import { providePrimeNG } from 'primeng/config';

/** The page the benchmark measures the app against: Angular, PrimeNG with its stock preset, one button. */
@Component({
  selector: 'bare-root',
  imports: [Button],
  template: `<h1>Bare page</h1>
    <p-button label="Ready" />`,
})
class BareRoot {}

void bootstrapApplication(BareRoot, {
  providers: [provideZonelessChangeDetection(), providePrimeNG({ theme: { preset: Aura } })],
});
