package yellowbracket.program;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.management.HotSpotDiagnosticMXBean;
import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import org.junit.jupiter.api.Test;

/** Memory goes back to the system. */
class MemoryTest {
    private static long heldMb() {
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getCommitted() >> 20;
    }

    @Test
    void whatIsFreeGoesBackAndRoomIsKeptAgainAfterwards() {
        var held = new ArrayList<byte[]>();
        for (int i = 0; i < 300; i++) held.add(new byte[1 << 20]);
        long before = heldMb();
        assertThat(held).hasSize(300);
        held.clear();
        Memory.giveBack();
        assertThat(heldMb()).isLessThan(before - 200);
        var vm = ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class);
        assertThat(vm.getVMOption("MinHeapFreeRatio").getValue()).isEqualTo("40");
        assertThat(vm.getVMOption("MaxHeapFreeRatio").getValue()).isEqualTo("70");
    }
}
