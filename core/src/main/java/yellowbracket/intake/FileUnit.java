package yellowbracket.intake;

import java.util.List;

/** The length a file's unit stands for. {@code mm} is above 0: 1 for millimetres, 25.4 for inches, 6 for a miniature at 1 : 6. */
public record FileUnit(String name, double mm) {
    public static final FileUnit MM = new FileUnit("mm", 1);
    public static final FileUnit CM = new FileUnit("cm", 10);
    public static final FileUnit M = new FileUnit("m", 1000);
    public static final FileUnit INCH = new FileUnit("inch", 25.4);
    public static final List<FileUnit> USUAL = List.of(MM, CM, M, INCH);
    /** Ratios figures are usually made at, small ones last. */
    public static final List<FileUnit> MINIATURES = List.of(miniature(2), miniature(3), miniature(4), miniature(6), miniature(12),
            miniature(18), miniature(24), miniature(56));

    public FileUnit {
        if (!(mm > 0 && mm < 1e6)) throw new IllegalArgumentException("a unit is longer than 0 mm, was " + mm);
    }

    /** A model made in millimetres at 1 : {@code ratio}. */
    public static FileUnit miniature(int ratio) {
        return new FileUnit("miniature 1:" + ratio, ratio);
    }
}
