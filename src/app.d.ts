/// <reference types="vite/client" />
declare global {
  namespace App {}
}
export {};
