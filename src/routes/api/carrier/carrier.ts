import { simulatedCarrier } from '$standins/carrier/simulated';

/** The carrier behind the server routes; a real one would stand here. */
export const carrier = simulatedCarrier((ms) => new Promise((resolve) => setTimeout(resolve, ms)));
