declare module 'swagger-ui-dist/swagger-ui-es-bundle.js' {
  /** Draws an OpenAPI document into an element. The package ships no types of its own. */
  export default function viewer(options: {
    spec: object;
    domNode: Element | null;
    supportedSubmitMethods: string[];
    validatorUrl: null;
    docExpansion: 'list' | 'full' | 'none';
    defaultModelsExpandDepth: number;
  }): void;
}
