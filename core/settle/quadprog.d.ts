/** The package quadprog, which comes without types. Arrays count from 1. */
declare module "quadprog" {
  export function solveQP(
    hessian: number[][],
    linear: number[],
    rows: number[][],
    bounds: number[],
  ): { readonly solution: number[]; readonly Lagrangian: number[]; readonly message: string };
}
