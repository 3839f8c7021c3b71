import { expose } from 'comlink';
import { createFitService } from './fit-service';

expose(createFitService());
