import { isDevMode } from '@angular/core';

/**
 * Which build of Pomek this is. The name of the first script hangs on everything that is loaded after it; while Pomek is being developed, where names
 * stay, each page counts as a build of its own.
 */
export function buildMark(): string {
  if (isDevMode()) return `page ${performance.timeOrigin}`;
  const scripts = [...document.querySelectorAll<HTMLScriptElement>('script[type="module"][src]')];
  return scripts.map((script) => script.getAttribute('src')).join(' ') || 'unnamed';
}
