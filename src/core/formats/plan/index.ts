export { readPlan, writePlan, type PlanRead } from './json';
export { writeVoiceXml } from './voicexml';
