package yellowbracket.export;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import yellowbracket.mesh.io.FileSet;
import yellowbracket.plan.Shopping;

/** The shopping list as a table and to print, a block for each sort of shop. */
public final class ShoppingFiles {
    private ShoppingFiles() {}

    public static List<Path> write(String build, Shopping shopping, Path folder) throws IOException {
        var whole = FileSet.write(folder, aside -> List.of(table(shopping, aside), sheet(build, shopping, aside)));
        return whole.value().stream().map(whole::at).toList();
    }

    private static Path table(Shopping shopping, Path folder) throws IOException {
        return Export.csv(folder.resolve("shopping.csv"),
                List.of("from", "what", "packs", "pack", "needed", "have", "unit", "short on", "order by", "cost", "or"),
                shopping.list()
                        .stream()
                        .map(b -> List.<Object>of(b.from(), b.line().name(), b.packs(), b.pack(), number(b.line().needed()),
                                number(b.line().have()), b.line().unit(), b.shortOn(), b.orderBy(), b.cost() > 0 ? number(b.cost()) : "",
                                b.instead().orElse("")))
                        .toList());
    }

    private static String number(double v) {
        return String.format(Locale.ROOT, "%.2f", v);
    }

    private static Path sheet(String build, Shopping shopping, Path folder) throws IOException {
        var pages = new PdfPages();
        pages.page(build + ": to buy");
        for (var shop : shopping.shops()) pages.block(shop,
                shopping.from(shop)
                        .stream()
                        .map(b -> String.format(Locale.ROOT, "[ ] %-34s %-14s order by %s, short on %s", b.line().name(), b.pack(),
                                b.orderBy(), b.shortOn()))
                        .toList());
        var file = folder.resolve("shopping.pdf");
        pages.write(file);
        return file;
    }
}
