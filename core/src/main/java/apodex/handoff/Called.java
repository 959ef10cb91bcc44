package apodex.handoff;

import apodex.naming.NameStyle;
import apodex.signal.Placed;

/** By what a file is called: its row, what must not be cut off behind it, and which side of the row it is. */
record Called(String row, String marks, NameStyle.Side side, Placed placed) {
    Called(String row, String marks) {
        this(row, marks, NameStyle.Side.BOTH, Placed.MIDDLE);
    }

    /** The only side there is anything on. */
    Called only(Placed where) {
        return new Called(row, marks + (where == Placed.LEFT ? " left" : " right"), side, where);
    }

    /** One of two files. */
    Called side(NameStyle.Side other) {
        return new Called(row, marks, other, other == NameStyle.Side.LEFT ? Placed.LEFT : Placed.RIGHT);
    }

    String whole() {
        return row
                + marks
                + switch (side) {
                    case BOTH -> "";
                    case LEFT -> " left";
                    case RIGHT -> " right";
                };
    }
}
