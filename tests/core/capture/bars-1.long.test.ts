import { holdsBars } from './bars'

/** The bar is two hundred scans; they are shared out so that they run side by side. */
holdsBars(100, 50)
