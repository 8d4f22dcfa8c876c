// The package's own declarations stand outside its "exports".
declare module '@kninnug/constrainautor' {
  /** Constrains a triangulation in place, edge by edge. */
  export default class Constrainautor {
    constructor(delaunator: { readonly triangles: Uint32Array; readonly halfedges: Int32Array; readonly coords: ArrayLike<number> });
    constrainOne(from: number, to: number): number;
  }
}
