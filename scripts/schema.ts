// Writes the JSON Schema of the saved file. A test keeps it current.
import { writeFileSync } from 'node:fs';
import { fileSchema } from '../src/workspace/file/read';

writeFileSync('docs/formats/system.schema.json', JSON.stringify(fileSchema(), null, 2) + '\n');
