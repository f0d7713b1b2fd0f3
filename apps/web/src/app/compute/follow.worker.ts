/// <reference lib="webworker" />
import { FollowAnswer, grayReader } from './follow-answer';

const answer = new FollowAnswer(grayReader());
addEventListener('message', (event: MessageEvent<unknown>) => {
  postMessage(answer.to(event.data));
});
