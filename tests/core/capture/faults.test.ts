import { findsFaults } from './faults'

findsFaults(['heelUpright', 'firstRay', 'levelHeelBall'])
