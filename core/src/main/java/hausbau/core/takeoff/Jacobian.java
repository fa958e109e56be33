package hausbau.core.takeoff;

/** How a point of the plane moves with its pixel: millimetres a pixel, row by row. */
record Jacobian(double xx, double xy, double yx, double yy) {

    /** The squared length of a gradient in the plane, carried back to the picture. */
    double squaredInPicture(double gx, double gy) {
        var px = xx * gx + yx * gy;
        var py = xy * gx + yy * gy;
        return px * px + py * py;
    }

    /** The greatest and the least millimetres a pixel, over all directions: the singular values. */
    double[] scales() {
        var sum = xx * xx + xy * xy + yx * yx + yy * yy;
        var determinant = Math.abs(xx * yy - xy * yx);
        var difference = Math.sqrt(Math.max(0, sum * sum - 4 * determinant * determinant));
        return new double[] {Math.sqrt((sum + difference) / 2), Math.sqrt(Math.max(0, (sum - difference) / 2))};
    }
}
