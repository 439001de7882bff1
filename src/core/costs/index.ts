export { estimated, logged, usedBy, WEEKS_A_MONTH, type Tariff, type Used } from './costs';
