import { bodyForm, bodyOf, type BodyMeasures } from '@pomek/core';

/** The part of the sheet that makes the surface of a body, beside the page; `bodyOf` refuses measures that are none. */
addEventListener('message', ({ data }: MessageEvent<BodyMeasures>) => {
  postMessage(bodyForm(bodyOf(data)));
});
