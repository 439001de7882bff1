import type { Profile } from '../profile';
import { busy, fiction, ringback } from './nanp';

export const ca: Profile = {
  country: 'CA',
  name: 'Canada',
  callingCode: '1',
  emergency: ['911'],
  ringback,
  busy,
  currency: 'CAD',
  areaWord: 'area code',
  timeZone: 'America/Vancouver',
  fiction: [
    fiction('604', ['Vancouver', 'Richmond']),
    fiction('250', ['Victoria', 'Kelowna']),
    fiction('416', ['Toronto']),
    fiction('514', ['Montreal']),
    fiction('902', ['Halifax', 'Lunenburg']),
  ],
};
