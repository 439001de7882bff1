import type { Profile } from '../profile';
import { busy, fiction, ringback } from './nanp';

export const us: Profile = {
  country: 'US',
  name: 'United States',
  callingCode: '1',
  emergency: ['911'],
  ringback,
  busy,
  currency: 'USD',
  areaWord: 'area code',
  timeZone: 'America/Los_Angeles',
  fiction: [
    fiction('360', ['Bellingham', 'Olympia', 'Port Townsend', 'Vancouver WA']),
    fiction('509', ['Spokane', 'Yakima', 'Walla Walla']),
    fiction('206', ['Seattle', 'Bainbridge Island']),
    fiction('503', ['Portland', 'Astoria']),
    fiction('415', ['San Francisco', 'Sausalito']),
    fiction('212', ['New York']),
    fiction('312', ['Chicago']),
    fiction('512', ['Austin']),
    fiction('617', ['Boston', 'Cambridge']),
    fiction('207', ['Portland ME', 'Rockland']),
    fiction('800', ['Toll-free'], 'toll-free'),
    fiction('888', ['Toll-free'], 'toll-free'),
  ],
};
