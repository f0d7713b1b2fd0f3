import { Follower, grayFrame, type GrayFrame } from '@pomek/core';
import { FollowRequestSchema, type FollowReply } from './follow.protocol';

/** Answers frame after frame; a new beginning forgets what was before. */
export class FollowAnswer {
  private follower: Follower | null = null;

  /** @param grayOf a frame in grey, as the place where this runs can read one */
  constructor(private readonly grayOf: (frame: ImageBitmap) => GrayFrame) {}

  to(message: unknown): FollowReply {
    try {
      const request = FollowRequestSchema.parse(message);
      const gray = this.grayOf(request.frame);
      if (request.kind === 'begin') {
        this.follower = Follower.begin(gray, request.from, request.marks, request.rest);
        return { kind: 'found', places: {}, astray: {} };
      }
      if (this.follower === null) throw new Error('Nothing is followed yet.');
      return { kind: 'found', ...this.follower.step(gray, request.rest, request.last) };
    } catch (error) {
      return { kind: 'error', message: error instanceof Error ? error.message : String(error) };
    }
  }
}

/** Reads frames in grey through a canvas that is kept from one to the next. */
export function grayReader(): (frame: ImageBitmap) => GrayFrame {
  let canvas: OffscreenCanvas | null = null;
  return (frame) => {
    const { width, height } = frame;
    if (canvas?.width !== width || canvas.height !== height) canvas = new OffscreenCanvas(width, height);
    const pen = canvas.getContext('2d', { willReadFrequently: true });
    if (pen === null) throw new Error('This browser cannot read the frames of a film.');
    pen.drawImage(frame, 0, 0);
    frame.close();
    return grayFrame(pen.getImageData(0, 0, width, height).data, width, height);
  };
}
