export { parseDay } from '../../core/bench/schedule/day'
export { QUICK_WORK, schedule } from '../../core/bench/schedule/schedule'
