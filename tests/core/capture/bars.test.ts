import { holdsBars } from './bars'

holdsBars(1, 6)
