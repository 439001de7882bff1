/** Visitors in the browser that has the business: as on the bench, where a plain page shows the button. */
import { VisitDesk, type VisitPlace } from './desk';
import { VISITS, visitLock, type Envelope } from './words';

/** So many windows are served at once. */
const MOST = 20;

/** @returns how to stop */
export function serveVisits(place: VisitPlace): () => void {
  const channel = new BroadcastChannel(VISITS);
  const desks = new Map<string, { desk: VisitDesk; letGo: () => void }>();
  const end = (visit: string) => {
    const known = desks.get(visit);
    desks.delete(visit);
    known?.desk.close();
    known?.letGo();
  };
  channel.onmessage = ({ data }: MessageEvent<Envelope>) => {
    const { visit, businessId, buttonId, from, to } = data;
    if (to) return;
    if (!desks.has(visit)) {
      if (desks.size >= MOST) return;
      const desk = new VisitDesk(place, businessId, buttonId, false, (message) =>
        channel.postMessage({ visit, businessId, buttonId, to: message } satisfies Envelope),
      );
      // Its window holds it as long as it is open.
      desks.set(visit, { desk, letGo: place.hold(visitLock(visit), () => end(visit)) });
    }
    if (from !== undefined) void desks.get(visit)!.desk.ask(from);
  };
  return () => {
    channel.close();
    for (const visit of [...desks.keys()]) end(visit);
  };
}
