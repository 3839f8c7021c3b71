import { expose } from 'comlink';
import { createEntryService } from './entry-service';

expose(createEntryService());
