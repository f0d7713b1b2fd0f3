import { BodyScene } from '@pomek/space/scene';

/** The part of the sheet that draws in space: run when a body is shown, and found here by the page. */
Object.assign(globalThis, { pomekScene: BodyScene });
