import workerpool from 'workerpool';
import { answerOfHouse } from './answer-of-house.js';

// Its server is gone, or has ended it: nobody waits for what is under way.
process.on('disconnect', () => process.exit(0));
process.on('error', () => process.exit(0));

// A process of `HousesWork`: one house takes a quarter of a second.
workerpool.worker({ ask: answerOfHouse });
