package apodex.session;

import jakarta.annotation.Nullable;
import java.util.AbstractList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.RandomAccess;
import java.util.function.Function;

/** A list that never changes and knows its things by their ids: a session of a thousand rows is asked for one of them all the time. */
final class ById<T> extends AbstractList<T> implements RandomAccess {
    private final Object[] all;
    private final Map<String, Integer> places;

    private ById(List<T> things, Function<T, String> id) {
        this.all = things.toArray();
        this.places = new HashMap<>(2 * all.length);
        // of two of one id the first counts; the rules refuse such sessions, but first they are looked at
        for (int i = 0; i < all.length; i++) {
            places.putIfAbsent(id.apply(Objects.requireNonNull(things.get(i))), i);
        }
    }

    @SuppressWarnings("unchecked") // a list of these is one of these
    static <T> List<T> of(List<T> things, Function<T, String> id) {
        return things instanceof ById<?> known ? (ById<T>) known : new ById<>(things, id);
    }

    /** Null when there is none. @param things made by {@link #of} */
    @Nullable
    static <T> T find(List<T> things, String id) {
        int place = place(things, id);
        return place < 0 ? null : things.get(place);
    }

    /** Where it is; -1 when there is none. @param things made by {@link #of} */
    static int place(List<?> things, String id) {
        return ((ById<?>) things).places.getOrDefault(id, -1);
    }

    @Override
    @SuppressWarnings("unchecked") // the array was made from a list of them
    public T get(int index) {
        return (T) all[index];
    }

    @Override
    public int size() {
        return all.length;
    }
}
