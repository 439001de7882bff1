/** What is stored, record by record. Nothing is read from storage or a file without passing these. */
export * from './business';
export * from './dealings';
export * from './written';
export * from './by-itself';
export * from './devices';
export * from './sounds';
export * from './calls';
export * from './days';
export * from './aside';
