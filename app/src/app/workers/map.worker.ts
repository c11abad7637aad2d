import { type DistrictOptions, readDistrictSteps } from '@roam-dial/core/maps';
import { serveSteps } from './serve-steps';

serveSteps(({ text, options }: { text: string; options: DistrictOptions }) => readDistrictSteps(text, options));
