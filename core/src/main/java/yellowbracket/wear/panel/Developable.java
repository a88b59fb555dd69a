package yellowbracket.wear.panel;

import java.util.Locale;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * A surface that a flat sheet can lie on: it is told in the sheet's own mm, u to the wearer's right and v up, so that lengths on the
 * pattern
 * are lengths on the prop. The normal looks out of the prop.
 */
public sealed interface Developable {
    Vec3 at(double u, double v);

    /** Outward, unit. */
    Vec3 normal(double u, double v);

    /** Of the nearest place: u, v and the height above the surface, outwards, mm. */
    double[] flat(Vec3 p);

    /** The tightest bend within a stretch of it, mm; infinite for a flat one. */
    double radiusMm(double v);

    String words();

    /** @param right unit, {@code up} unit, at right angles */
    record Flat(Vec3 origin, Vec3 right, Vec3 up) implements Developable {
        @Override
        public Vec3 at(double u, double v) {
            return origin.plus(right.times(u)).plus(up.times(v));
        }

        @Override
        public Vec3 normal(double u, double v) {
            return right.cross(up).times(-1);
        }

        @Override
        public double[] flat(Vec3 p) {
            var d = p.minus(origin);
            return new double[] {d.dot(right), d.dot(up), d.dot(normal(0, 0))};
        }

        @Override
        public double radiusMm(double v) {
            return Double.POSITIVE_INFINITY;
        }

        @Override
        public String words() {
            return "flat";
        }
    }

    /**
     * @param origin on the axis @param axis unit, upwards @param out unit, from the axis to where u is 0 @param hollow whether the axis
     * lies
     * within the prop, as it does behind a visor; else the wall bulges inwards
     */
    record Cylinder(Vec3 origin, Vec3 axis, Vec3 out, double radius, boolean hollow) implements Developable {
        /** Turned about the axis so that a growing angle goes to the wearer's right. */
        private Vec3 radial(double u) {
            return Turn.about(axis, Math.toDegrees((hollow ? -1 : 1) * u / radius)).apply(out);
        }

        @Override
        public Vec3 at(double u, double v) {
            return origin.plus(axis.times(v)).plus(radial(u).times(radius));
        }

        @Override
        public Vec3 normal(double u, double v) {
            return radial(u).times(hollow ? 1 : -1);
        }

        @Override
        public double[] flat(Vec3 p) {
            var d = p.minus(origin);
            double h = d.dot(axis);
            var r = d.minus(axis.times(h));
            double angle = Math.atan2(r.dot(axis.cross(out)), r.dot(out));
            return new double[] {(hollow ? -1 : 1) * radius * angle, h, (hollow ? 1 : -1) * (r.norm() - radius)};
        }

        @Override
        public double radiusMm(double v) {
            return radius;
        }

        @Override
        public String words() {
            return String.format(Locale.ROOT, "round, radius %.0f mm", radius);
        }
    }

    /**
     * Its tip lies above or below; v is counted along the slope from where {@code middle} (distance from the tip) is.
     * @param axis unit, from the tip into the cone @param out unit, at right angles, where u is 0 @param half angle between axis and slope,
     * degrees @param tipUp whether the tip lies above
     */
    record Cone(Vec3 tip, Vec3 axis, Vec3 out, double half, double middle, boolean tipUp) implements Developable {
        private double sine() {
            return Math.sin(Math.toRadians(half));
        }

        private double cosine() {
            return Math.cos(Math.toRadians(half));
        }

        /** To the right, as the wearer sees it. */
        private double way() {
            return tipUp ? 1 : -1;
        }

        /** Distance from the tip and angle about the axis. */
        private double[] polar(double u, double v) {
            double y = tipUp ? middle - v : middle + v;
            return new double[] {Math.hypot(u, y), Math.atan2(u, y) / sine()};
        }

        private Vec3 radial(double angle) {
            return Turn.about(axis, Math.toDegrees(way() * angle)).apply(out);
        }

        @Override
        public Vec3 at(double u, double v) {
            var p = polar(u, v);
            return tip.plus(axis.times(p[0] * cosine())).plus(radial(p[1]).times(p[0] * sine()));
        }

        @Override
        public Vec3 normal(double u, double v) {
            return radial(polar(u, v)[1]).times(cosine()).minus(axis.times(sine()));
        }

        @Override
        public double[] flat(Vec3 p) {
            var d = p.minus(tip);
            double h = d.dot(axis);
            var r = d.minus(axis.times(h));
            double wide = r.norm(), angle = way() * Math.atan2(r.dot(axis.cross(out)), r.dot(out)), slope = h * cosine() + wide * sine(),
                    off = wide * cosine() - h * sine();
            double y = slope * Math.cos(angle * sine());
            return new double[] {slope * Math.sin(angle * sine()), tipUp ? middle - y : y - middle, off};
        }

        @Override
        public double radiusMm(double v) {
            return (tipUp ? middle - v : middle + v) * sine() / cosine();
        }

        @Override
        public String words() {
            return String.format(Locale.ROOT, "a cone, radius %.0f mm amid, %.0f\u00b0 to its axis", middle * sine() / cosine(), half);
        }
    }

    /**
     * Two flats that meet in a line.
     * @param origin on the line @param line unit, upwards @param left unit, at right angles to the line, to the wearer's left on that flat
     */
    record Fold(Vec3 origin, Vec3 line, Vec3 left, Vec3 right) implements Developable {
        @Override
        public Vec3 at(double u, double v) {
            return origin.plus(line.times(v)).plus(u < 0 ? left.times(-u) : right.times(u));
        }

        @Override
        public Vec3 normal(double u, double v) {
            return u < 0 ? left.cross(line) : line.cross(right);
        }

        @Override
        public double[] flat(Vec3 p) {
            var d = p.minus(origin);
            double l = d.dot(left), r = d.dot(right), v = d.dot(line);
            // the flat that is nearer; both say the same on the line that halves the angle
            if (l > r) return new double[] {-l, v, d.dot(left.cross(line))};
            return new double[] {r, v, d.dot(line.cross(right))};
        }

        /** How far the sheet is bent from flat, degrees. */
        public double bendDeg() {
            return 180 - Math.toDegrees(Math.acos(Math.clamp(left.dot(right), -1, 1)));
        }

        @Override
        public double radiusMm(double v) {
            return Double.POSITIVE_INFINITY;
        }

        @Override
        public String words() {
            return String.format(Locale.ROOT, "two flats, bent by %.0f\u00b0 along one line", bendDeg());
        }
    }
}
