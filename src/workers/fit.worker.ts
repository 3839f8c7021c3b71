import { expose } from 'comlink';
import { stayAlive } from './alive';
import { createFitService } from './fit-service';

expose(createFitService());
stayAlive();
