package apodex.audio;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/** Turns stored samples of one channel into doubles, full scale at 1.0. Exact for every format. */
public final class PcmDecoder {
    private static final VarHandle SHORT_LE = view(short[].class, ByteOrder.LITTLE_ENDIAN);
    private static final VarHandle SHORT_BE = view(short[].class, ByteOrder.BIG_ENDIAN);
    private static final VarHandle INT_LE = view(int[].class, ByteOrder.LITTLE_ENDIAN);
    private static final VarHandle INT_BE = view(int[].class, ByteOrder.BIG_ENDIAN);
    private static final VarHandle LONG_LE = view(long[].class, ByteOrder.LITTLE_ENDIAN);
    private static final VarHandle LONG_BE = view(long[].class, ByteOrder.BIG_ENDIAN);
    private static final double SCALE_8 = 0x1p-7;
    /** 2^29, whose last bit is 2^-23, and half of the range of 24 bits. */
    private static final long LARGE_24 = Double.doubleToRawLongBits(0x1p29) | 0x80_0000;

    private static final double TAKEN_24 = 0x1p29 + 1;
    /** 2^37, whose last bit is 2^-15, and half of the range of 16 bits. */
    private static final long LARGE_16 = Double.doubleToRawLongBits(0x1p37) | 0x8000;

    private static final double TAKEN_16 = 0x1p37 + 1;
    private static final double SCALE_32 = 0x1p-31;

    private PcmDecoder() {}

    private static VarHandle view(Class<?> type, ByteOrder order) {
        return MethodHandles.byteArrayViewVarHandle(type, order);
    }

    /**
     * Decodes one channel of interleaved frames.
     *
     * @param raw     frames from the start of the array
     * @param channel which of the interleaved channels, from 0
     * @param out     filled from {@code at} on
     */
    public static void decode(byte[] raw, PcmLayout layout, int channel, int frames, double[] out, int at) {
        decode(raw, 0, layout, channel, frames, out, at);
    }

    /** Decodes neighbouring channels. @param out channels x frames; filled from {@code at} on */
    public static void decode(
            byte[] raw, int start, PcmLayout layout, int firstChannel, int frames, double[][] out, int at) {
        for (int c = 0; c < out.length; c++) {
            decode(raw, start, layout, firstChannel + c, frames, out[c], at);
        }
    }

    private static void decode(byte[] raw, int start, PcmLayout layout, int channel, int frames, double[] out, int at) {
        int step = layout.frameBytes();
        int from = start + channel * layout.sample().bytes();
        boolean little = layout.order() == ByteOrder.LITTLE_ENDIAN;
        switch (layout.sample()) {
            case UINT8 -> {
                for (int i = 0, p = from; i < frames; i++, p += step) {
                    out[at + i] = ((raw[p] & 0xFF) - 128) * SCALE_8;
                }
            }
            case INT8 -> {
                for (int i = 0, p = from; i < frames; i++, p += step) {
                    out[at + i] = raw[p] * SCALE_8;
                }
            }
            case INT16 -> int16(raw, from, step, frames, out, at, little);
            case INT24 -> int24(raw, from, step, frames, out, at, little);
            case INT32 -> int32(raw, from, step, frames, out, at, little);
            case FLOAT32 -> float32(raw, from, step, frames, out, at, little);
            case FLOAT64 -> float64(raw, from, step, frames, out, at, little);
        }
    }

    private static void int16(byte[] raw, int from, int step, int frames, double[] out, int at, boolean little) {
        if (little) {
            for (int i = 0, p = from; i < frames; i++, p += step) {
                out[at + i] = of16((short) SHORT_LE.get(raw, p));
            }
        } else {
            for (int i = 0, p = from; i < frames; i++, p += step) {
                out[at + i] = of16((short) SHORT_BE.get(raw, p));
            }
        }
    }

    private static void int24(byte[] raw, int from, int step, int frames, double[] out, int at, boolean little) {
        int i = 0;
        int p = from;
        if (little) { // four bytes at once, of which the last is the next sample's; not at the very end
            int most = Math.min(frames, Math.floorDiv(raw.length - from - 4, step) + 1);
            for (; i < most; i++, p += step) {
                out[at + i] = of24((int) INT_LE.get(raw, p));
            }
        }
        int lowByte = little ? 0 : 2;
        int highByte = little ? 2 : 0;
        for (; i < frames; i++, p += step) {
            out[at + i] = of24(raw[p + highByte] << 16 | (raw[p + 1] & 0xFF) << 8 | raw[p + lowByte] & 0xFF);
        }
    }

    /**
     * Half of full scale stands in the last bits of a number so large that a step of the format is the last bit it holds: taking the
     * number away leaves the sample. It is the same as converting and scaling, in half of the time, since the processor's conversion
     * of integers waits for what was converted before.
     */
    private static double of24(int sample) {
        return Double.longBitsToDouble(LARGE_24 ^ (sample & 0xFFFFFF)) - TAKEN_24;
    }

    private static double of16(int sample) {
        return Double.longBitsToDouble(LARGE_16 ^ (sample & 0xFFFF)) - TAKEN_16;
    }

    private static void int32(byte[] raw, int from, int step, int frames, double[] out, int at, boolean little) {
        for (int i = 0, p = from; i < frames; i++, p += step) {
            out[at + i] = (little ? (int) INT_LE.get(raw, p) : (int) INT_BE.get(raw, p)) * SCALE_32;
        }
    }

    private static void float32(byte[] raw, int from, int step, int frames, double[] out, int at, boolean little) {
        for (int i = 0, p = from; i < frames; i++, p += step) {
            out[at + i] = Float.intBitsToFloat(little ? (int) INT_LE.get(raw, p) : (int) INT_BE.get(raw, p));
        }
    }

    private static void float64(byte[] raw, int from, int step, int frames, double[] out, int at, boolean little) {
        for (int i = 0, p = from; i < frames; i++, p += step) {
            out[at + i] = Double.longBitsToDouble(little ? (long) LONG_LE.get(raw, p) : (long) LONG_BE.get(raw, p));
        }
    }
}
