package yellowbracket.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Damage to a build's text such as a bad disk, a bad hand or a bad program does. */
public final class Mutation {
    private static final JsonNodeFactory N = JsonNodeFactory.instance;

    private Mutation() {}

    /** One value somewhere is replaced, dropped or doubled. */
    public static void of(JsonNode root, Random random) {
        var places = new ArrayList<Runnable>();
        collect(root, random, places);
        places.get(random.nextInt(places.size())).run();
    }

    private static void collect(JsonNode at, Random random, List<Runnable> places) {
        if (at instanceof ObjectNode o) o.fieldNames().forEachRemaining(name -> {
            places.add(() -> {
                if (random.nextInt(6) == 0) o.remove(name);
                else o.set(name, instead(o.get(name), random));
            });
            collect(o.get(name), random, places);
        });
        else if (at instanceof ArrayNode a) for (int i = 0; i < a.size(); i++) {
            int k = i;
            places.add(() -> {
                if (random.nextBoolean()) a.add(a.get(k));
                else a.set(k, instead(a.get(k), random));
            });
            collect(a.get(i), random, places);
        }
    }

    private static JsonNode instead(JsonNode now, Random random) {
        return switch (random.nextInt(9)) {
            case 0 -> N.nullNode();
            case 1 -> N.numberNode(-1);
            case 2 -> N.numberNode(1e300);
            case 3 -> N.numberNode(Long.MAX_VALUE);
            case 4 -> N.textNode("2026-02-31T25:61");
            case 5 -> N.textNode("");
            case 6 -> N.arrayNode().add(N.nullNode());
            case 7 -> N.objectNode();
            default -> now.isNumber() ? N.numberNode(now.asDouble() * 1e6) : N.textNode("\u0000\ud800");
        };
    }
}
