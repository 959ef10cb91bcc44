package apodex.instrument;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.HexFormat;
import java.util.Locale;

/**
 * Something a player does or a file says beside notes, kept as it came: controllers, pedals, bends, pressure, programs, words, exclusive
 * messages.
 *
 * @param quarter from the song's start, in quarter notes
 * @param hex     its bytes in hexadecimal: a channel message (MIDI 1.0) as on the first channel, an exclusive message from F0 on, or a
 *                meta event (SMF 1.0) as FF, its type, and its data without their length
 */
public record Message(double quarter, String hex) {
    private static final HexFormat HEX = HexFormat.of();
    private static final int CONTROLLER = 0xB0;
    private static final int BEND = 0xE0;
    private static final int META = 0xFF;
    private static final int EXCLUSIVE = 0xF0;

    public Message {
        hex = hex == null ? "" : hex.toLowerCase(Locale.ROOT);
    }

    /** One of these bytes. */
    public static Message of(double quarter, byte[] bytes) {
        return new Message(quarter, HEX.formatHex(bytes));
    }

    /** Its bytes. @throws IllegalArgumentException when it has none */
    public byte[] bytes() {
        return HEX.parseHex(hex);
    }

    private int at(int place) {
        return 2 * place + 2 <= hex.length() ? Integer.parseInt(hex.substring(2 * place, 2 * place + 2), 16) : -1;
    }

    /** Whether it is something for a channel. */
    @JsonIgnore
    public boolean isForChannel() {
        return at(0) >= 0x80 && at(0) < EXCLUSIVE;
    }

    /** Whether it is words, or something else that only a file holds. */
    @JsonIgnore
    public boolean isMeta() {
        return at(0) == META;
    }

    /** Whether it sets a controller, by the numbers of MIDI 1.0. */
    public boolean sets(int controller) {
        return at(0) == CONTROLLER && at(1) == controller;
    }

    /** Whether it moves the bend wheel (MIDI 1.0, “Pitch Bend Change”). */
    public boolean bends() {
        return at(0) == BEND;
    }

    /** The lower seven bits of a bend. */
    int fine() {
        return at(1);
    }

    /** What a controller is set to, or a channel message's last byte. */
    @JsonIgnore
    public int value() {
        return at(hex.length() / 2 - 1);
    }

    /** What a later message of this kind replaces: the same controller, the bend, the program. Exclusive messages replace none. */
    @JsonIgnore
    public String replaces() {
        boolean byNumber = at(0) == CONTROLLER || at(0) == 0xA0;
        return !isForChannel() ? hex : hex.substring(0, byNumber ? 4 : 2);
    }

    /** The same at another place. */
    public Message later(double quarters) {
        return new Message(quarter + quarters, hex);
    }

    /** Whether it can be written to a file: it has the bytes that its kind needs. */
    @JsonIgnore
    public boolean isWhole() {
        if (hex.length() % 2 != 0 || !hex.matches("[0-9a-f]*") || !Double.isFinite(quarter) || quarter < 0) {
            return false;
        }
        int bytes = hex.length() / 2;
        int status = at(0);
        if (status == META) {
            return bytes >= 2;
        }
        if (status == EXCLUSIVE || status == 0xF7) {
            return bytes >= 1;
        }
        boolean oneByte = status >= 0xC0 && status < 0xE0;
        boolean channel = status >= 0xA0 && status < EXCLUSIVE && (status & 0x0F) == 0;
        return channel && bytes == (oneByte ? 2 : 3) && at(1) < 0x80 && at(bytes - 1) < 0x80;
    }
}
