import { expose } from 'comlink';
import { stayAlive } from './alive';
import { createCoreService } from './core-service';

expose(createCoreService());
stayAlive();
