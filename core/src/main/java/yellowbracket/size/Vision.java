package yellowbracket.size;

import yellowbracket.mesh.Vec3;

/**
 * What the wearer sees: rays from both eyes through the posed prop. Angles in degrees from straight ahead; {@code openShare} of the usual
 * field (60 up, 70 down, 95 to each side) by solid angle; {@code floorFromM}: the nearest floor seen ahead, infinite if none.
 * {@code open} by row (from the lowest) and column (from the left), {@link #STEP_DEG} apart.
 */
public record Vision(double leftDeg, double rightDeg, double upDeg, double downDeg, double floorFromM, double openShare, boolean[][] open) {
    public static final double STEP_DEG = 2.5;
    public static final double LEFT = -95;
    public static final double DOWN = -70;
    private static final int COLUMNS = 77;
    private static final int ROWS = 53;

    public static Vision of(HeadForm form, Cavity cavity, double scale, Pose pose, double eyeHeightMm) {
        var open = new boolean[ROWS][COLUMNS];
        double seen = 0, all = 0;
        Vec3[] eyes = {pose.place(form.eye(-1)).times(1 / scale), pose.place(form.eye(1)).times(1 / scale)};
        for (int r = 0; r < ROWS; r++)
            for (int c = 0; c < COLUMNS; c++) {
                double el = Math.toRadians(DOWN + r * STEP_DEG), az = Math.toRadians(LEFT + c * STEP_DEG);
                var d = pose.direction(new Vec3(Math.cos(el) * Math.sin(az), Math.cos(el) * Math.cos(az), Math.sin(el)));
                for (int e = 0; e < 2 && !open[r][c]; e++) {
                    boolean behindNose = e == 0 ? az > Math.toRadians(60) : az < Math.toRadians(-60);
                    open[r][c] = !behindNose && !cavity.index().blocked(eyes[e], d, 1);
                }
                all += Math.cos(el);
                if (open[r][c]) seen += Math.cos(el);
            }
        return measured(open, seen / all, eyeHeightMm);
    }

    private static Vision measured(boolean[][] open, double share, double eyeHeightMm) {
        int ahead = (int) Math.round(-LEFT / STEP_DEG), level = (int) Math.round(-DOWN / STEP_DEG);
        int row = level;
        for (int off = 0; off <= 6 && !open[row][ahead]; off++) { // a visor somewhat off the eye line still has a widest row
            if (level + off < ROWS && open[level + off][ahead]) row = level + off;
            else if (open[level - off][ahead]) row = level - off;
        }
        if (!open[row][ahead]) return new Vision(0, 0, 0, 0, Double.POSITIVE_INFINITY, share, open);
        int left = ahead, right = ahead, up = row, down = row;
        while (left > 0 && open[row][left - 1]) left--;
        while (right + 1 < COLUMNS && open[row][right + 1]) right++;
        while (up + 1 < ROWS && open[up + 1][ahead]) up++;
        while (down > 0 && open[down - 1][ahead]) down--;
        double lowest = -(DOWN + down * STEP_DEG);
        double floor = lowest > 0 ? eyeHeightMm / 1000 / Math.tan(Math.toRadians(lowest)) : Double.POSITIVE_INFINITY;
        return new Vision((ahead - left) * STEP_DEG, (right - ahead) * STEP_DEG, DOWN + up * STEP_DEG, lowest, floor, share, open);
    }
}
