export const DEG = 180 / Math.PI;
export const toRad = (degrees: number): number => degrees / DEG;
export const toDeg = (rad: number): number => rad * DEG;
