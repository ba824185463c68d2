import { findsFaults } from './faults'

findsFaults(['levelHeelBall', 'archHeight', 'coverage'])
