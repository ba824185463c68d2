import { findsFaults } from './faults'

findsFaults(['heelUpright', 'midfootLocked', 'forefootAngle'])
