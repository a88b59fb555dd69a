package yellowbracket.program;

import com.sun.management.HotSpotDiagnosticMXBean;
import java.lang.management.ManagementFactory;

/** What the program holds of the computer's memory. */
public final class Memory {
    /** Least and most of the heap that stays free when memory is given back, per cent. */
    private static final String LEAST = "MinHeapFreeRatio", MOST = "MaxHeapFreeRatio";
    private static final int LEAST_PC = 5, MOST_PC = 10;
    /** Less than this is not worth standing still for, bytes. */
    private static final long WORTH = 32L << 20;
    /** What the heap took after it was last given back, bytes. */
    private static long left;

    private Memory() {}

    /**
     * Collects the heap whole and gives what is free back to the system, where it has grown since that was last done. Everything stands
     * still for a tenth of a second or two, so this is for moments when nobody waits. While there is work the heap has room: kept as tight
     * as this, it would be collected without an end.
     */
    public static synchronized void giveBack() {
        if (taken() < left + WORTH) return;
        var vm = ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class);
        if (vm == null) return;
        String least = vm.getVMOption(LEAST).getValue(), most = vm.getVMOption(MOST).getValue();
        try {
            // the least is never more than the most
            vm.setVMOption(LEAST, String.valueOf(Math.min(LEAST_PC, Integer.parseInt(least))));
            vm.setVMOption(MOST, String.valueOf(Math.min(MOST_PC, Integer.parseInt(most))));
            System.gc();
        } finally {
            vm.setVMOption(MOST, most);
            vm.setVMOption(LEAST, least);
            left = taken();
        }
    }

    private static long taken() {
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getCommitted();
    }
}
