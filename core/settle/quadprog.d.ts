/** The inner door of the package quadprog, which comes without types. Arrays count from 1. */
declare module "quadprog/lib/qpgen2" {
  type Numbers = number[] | Float64Array | Int32Array;
  export default function qpgen2(
    ...told: [
      hessian: Numbers[],
      linear: Numbers,
      hessianRows: number,
      n: number,
      solution: Numbers,
      multipliers: Numbers,
      value: Numbers,
      rows: Numbers[],
      bounds: Numbers,
      rowsRows: number,
      q: number,
      equalities: number,
      active: Numbers,
      activeCount: number,
      steps: Numbers,
      work: Numbers,
      fault: Numbers,
    ]
  ): void;
}
