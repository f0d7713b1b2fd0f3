import { Injectable } from '@angular/core';
import { VOICE_RATE } from '@pomek/core';

/** Why nothing can be recorded, in words. */
export class NoMicrophone extends Error {}

const reasons: Readonly<Record<string, string>> = {
  NotAllowedError: 'This browser keeps the microphone from Pomek. Allow it beside the address, and press again.',
  NotFoundError: 'There is no microphone at this machine.',
  NotReadableError: 'Another program has the microphone. Close it there, and press again.',
};

/** What is being recorded. */
export interface Take {
  /** How loud it is at this moment, 0–1. */
  level(): number;
  /** Ends it. @returns samples between −1 and 1 at `VOICE_RATE` */
  end(): Promise<Float32Array>;
  /** Ends it, and keeps nothing. */
  giveUp(): void;
}

/** The microphone of this machine; it is on only while something is recorded. */
@Injectable({ providedIn: 'root' })
export class Microphone {
  /** @throws NoMicrophone */
  async record(): Promise<Take> {
    const devices = (navigator as { mediaDevices?: MediaDevices }).mediaDevices;
    if (devices === undefined)
      throw new NoMicrophone('Recording works only at this machine itself or over a safe connection (https).');
    const stream = await devices
      .getUserMedia({
        audio: { channelCount: 1, echoCancellation: false, noiseSuppression: true, autoGainControl: false },
      })
      .catch((error: unknown) => {
        const name = error instanceof Error ? error.name : '';
        throw new NoMicrophone(reasons[name] ?? 'The microphone cannot be used here.');
      });
    const context = new AudioContext();
    const analyser = context.createAnalyser();
    context.createMediaStreamSource(stream).connect(analyser);
    const seen = new Float32Array(analyser.fftSize);
    const recorder = new MediaRecorder(stream);
    const pieces: Blob[] = [];
    recorder.addEventListener('dataavailable', ({ data }) => pieces.push(data));
    const stopped = new Promise<void>((done) => recorder.addEventListener('stop', () => done()));
    recorder.start();
    const off = async (): Promise<void> => {
      if (recorder.state !== 'inactive') recorder.stop();
      await stopped;
      for (const track of stream.getTracks()) track.stop();
      await context.close();
    };
    return {
      level: () => {
        analyser.getFloatTimeDomainData(seen);
        return seen.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
      },
      end: async () => {
        await off();
        // The browser decodes what it has encoded, and brings it to the samples that are kept.
        const bytes = await new Blob(pieces).arrayBuffer();
        const decoded = await new OfflineAudioContext(1, 1, VOICE_RATE).decodeAudioData(bytes);
        return decoded.getChannelData(0);
      },
      giveUp: () => void off(),
    };
  }
}
