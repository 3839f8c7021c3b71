import { expose } from 'comlink';
import { stayAlive } from './alive';
import { createEntryService } from './entry-service';

expose(createEntryService());
stayAlive();
