/** Opens the gate of an exchange: connects it to the relay of the server the page came from. */
import { fetchFrom, RelayClient, type RelayTold } from '../../channel/relay';
import { Changes, type Db } from '../../workspace';
import { hold } from '../hold';
import type { Switch } from '../switch';
import { VisitGate } from '../visits/gate';
import { Gate } from './gate';
import { GateTeller } from './relayed';

/** @returns how to close it */
export function openGate(db: Db, running: Pick<Switch, 'now' | 'systemOf' | 'inForceOf'>): () => void {
  const changes = new Changes();
  const relay = (token: string, told: RelayTold) =>
    new RelayClient({ as: 'exchange', token }, told, fetchFrom(''));
  const teller = new GateTeller(
    () => gate.states,
    (businessId) => void (work = work.then(() => gate.again(businessId)).catch(failed)),
  );
  const gate: Gate = new Gate(
    db,
    changes,
    {
      now: () => running.now(),
      system: (businessId) => running.systemOf(businessId),
      hold,
      relay,
    },
    (states) => teller.tell(states),
  );
  const visits = new VisitGate({
    db,
    now: () => running.now(),
    inForce: (businessId) => running.inForceOf(businessId),
    hold,
    relay,
  });
  const failed = (error: unknown) => console.error('Phones on other machines could not be dealt with', error);
  let work = gate
    .look()
    .then(() => visits.look())
    .catch(failed);
  changes.listen(
    (change) =>
      void (work = work
        .then(() => gate.changed(change))
        .then(() => visits.changed(change))
        .catch(failed)),
  );
  return () => {
    gate.close();
    visits.close();
    teller.close();
    changes.close();
  };
}
