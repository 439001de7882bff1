/** Opens the gate of an exchange: connects it to the relay of the server the page came from. */
import { fetchFrom, RelayClient } from '../../channel/relay';
import { Changes, type Db } from '../../workspace';
import { hold } from '../hold';
import type { Switch } from '../switch';
import { Gate } from './gate';
import { GateTeller } from './relayed';

/** @returns how to close it */
export function openGate(db: Db, running: Pick<Switch, 'now' | 'systemOf'>): () => void {
  const changes = new Changes();
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
      relay: (token, told) => new RelayClient({ as: 'exchange', token }, told, fetchFrom('')),
    },
    (states) => teller.tell(states),
  );
  const failed = (error: unknown) => console.error('Phones on other machines could not be dealt with', error);
  let work = gate.look().catch(failed);
  changes.listen((change) => void (work = work.then(() => gate.changed(change)).catch(failed)));
  return () => {
    gate.close();
    teller.close();
    changes.close();
  };
}
