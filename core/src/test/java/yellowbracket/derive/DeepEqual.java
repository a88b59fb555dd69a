package yellowbracket.derive;

import java.lang.reflect.Array;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.util.ArrayList;
import java.util.Collection;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Compares two values part by part, also of types that compare by identity; says where they differ. Functions are taken to be the same. */
final class DeepEqual {
    private final IdentityHashMap<Object, Object> seen = new IdentityHashMap<>();

    private DeepEqual() {}

    /** Empty when they are the same, else the way to the first difference. */
    static Optional<String> difference(Object a, Object b) {
        return Optional.ofNullable(new DeepEqual().at("", a, b));
    }

    private String at(String path, Object a, Object b) {
        if (a == b) return null;
        if (a == null || b == null) return path + ": " + a + " against " + b;
        if (a.getClass().isSynthetic() || a.getClass().isHidden()) return null;
        if (a instanceof Collection<?> x && b instanceof Collection<?> y) return lists(path, ordered(x), ordered(y));
        if (a instanceof Map<?, ?> x && b instanceof Map<?, ?> y) return maps(path, x, y);
        if (!a.getClass().equals(b.getClass())) return path + ": " + a.getClass() + " against " + b.getClass();
        if (seen.put(a, b) == b) return null;
        if (a.getClass().isArray()) return arrays(path, a, b);
        if (a instanceof Optional<?> x && b instanceof Optional<?> y) return at(path, x.orElse(null), y.orElse(null));
        if (!a.getClass().getName().startsWith("yellowbracket"))
            return a.equals(b) || a instanceof java.util.concurrent.atomic.AtomicReference ? null : path + ": " + a + " against " + b;
        if (a instanceof Enum<?>) return path + ": " + a + " against " + b;
        for (Class<?> c = a.getClass(); c != Object.class; c = c.getSuperclass()) for (var f : c.getDeclaredFields()) {
            if (Modifier.isStatic(f.getModifiers())) continue;
            Object x = value(f, a), y = value(f, b);
            if (!Modifier.isFinal(f.getModifiers()) && (x == null || y == null)) continue; // made when it is first asked for
            var d = at(path + "." + f.getName(), x, y);
            if (d != null) return d;
        }
        return null;
    }

    private static List<?> ordered(Collection<?> c) {
        return c instanceof List<?> l ? l : c.stream().sorted(java.util.Comparator.comparing(String::valueOf)).toList();
    }

    private static Object value(Field f, Object of) {
        try {
            f.setAccessible(true);
            return f.get(of);
        } catch (IllegalAccessException e) {
            throw new AssertionError(e);
        }
    }

    private String lists(String path, List<?> a, List<?> b) {
        if (a.size() != b.size()) return path + ": " + a.size() + " against " + b.size();
        for (int i = 0; i < a.size(); i++) {
            var d = at(path + "[" + i + "]", a.get(i), b.get(i));
            if (d != null) return d;
        }
        return null;
    }

    private String maps(String path, Map<?, ?> a, Map<?, ?> b) {
        if (!a.keySet().equals(b.keySet())) return path + ": " + a.keySet() + " against " + b.keySet();
        for (var k : new ArrayList<>(a.keySet())) {
            var d = at(path + "[" + k + "]", a.get(k), b.get(k));
            if (d != null) return d;
        }
        return null;
    }

    private String arrays(String path, Object a, Object b) {
        int n = Array.getLength(a);
        if (n != Array.getLength(b)) return path + ": " + n + " against " + Array.getLength(b);
        for (int i = 0; i < n; i++) {
            var d = at(path + "[" + i + "]", Array.get(a, i), Array.get(b, i));
            if (d != null) return d;
        }
        return null;
    }
}
