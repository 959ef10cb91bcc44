package apodex.effect;

import java.util.Map;

/** The settings of one insert: what was set, the standard for the rest. Read when units are made, not while they run. */
public final class Values {
    private final Map<String, Double> set;

    public Values(Map<String, Double> set) {
        this.set = Map.copyOf(set);
    }

    double of(Setting setting) {
        return set.getOrDefault(setting.id(), setting.standard());
    }

    int choice(Setting setting) {
        return (int) of(setting);
    }

    /** A percentage as a share of 1. */
    double share(Setting percent) {
        return of(percent) / 100;
    }

    /** A level in dB as a factor; 0 dB is exactly 1. */
    double factor(Setting decibels) {
        double db = of(decibels);
        return db == 0 ? 1 : StrictMath.pow(10, db / 20);
    }
}
