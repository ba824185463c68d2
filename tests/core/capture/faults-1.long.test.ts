import { findsFaults } from './faults'

findsFaults(['firstRay', 'toes', 'fingerDents'])
