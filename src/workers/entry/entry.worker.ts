import { expose } from 'comlink';
import { stayAlive } from '@/crossing/alive';
import { createEntryService } from './entry-service';

expose(createEntryService());
stayAlive();
