package verge.app.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** What is read beside the request: its outcome comes through, its faults in words. */
class ReadingAsideTest {
    private final ReadingAside aside = new ReadingAside();

    @Test
    void whatIsReadComesThrough() {
        assertThat(aside.<String>read("", "grid.gtx", watch -> watch.fileName() + " by " + Thread.currentThread().getName()))
                .isEqualTo("grid.gtx by reading aside");
        assertThatThrownBy(() -> aside.read("", "grid.gtx", watch -> {
            throw new SurveyException(Problem.NOT_A_GEOID_GRID, watch.fileName());
        })).extracting("problem").isEqualTo(Problem.NOT_A_GEOID_GRID);
        assertThatThrownBy(() -> aside.read("", "grid.gtx", watch -> {
            throw new IOException("the card was pulled out");
        })).extracting("problem").isEqualTo(Problem.FILE_UNREADABLE);
    }

    /** Who waits for a reading goes away, as when the program ends: the reading is told to stop. */
    @Test
    void aReadingEndsWithWhoeverWaitsForIt() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch ended = new CountDownLatch(1);
        Thread waiting = new Thread(() -> assertThatThrownBy(() -> aside.read("", "grid.gtx", watch -> {
            begun.countDown();
            try {
                while (true) {
                    watch.goOn();
                }
            } finally {
                ended.countDown();
            }
        })).extracting("problem").isEqualTo(Problem.READING_STOPPED));
        waiting.start();
        begun.await();
        waiting.interrupt();
        ended.await();
        waiting.join();
        assertThat(aside.<Boolean>read("", "next.gtx", watch -> true)).as("and others are read").isTrue();
    }

    /** By hand, while it is read, before it has begun, and with a ticket that nobody has. */
    @Test
    void aReadingIsStoppedByHand() {
        aside.stop("nobody's");
        assertThatThrownBy(() -> aside.read("t1", "grid.gtx", watch -> {
            aside.stop("t1");
            while (true) {
                watch.goOn();
            }
        })).extracting("problem").isEqualTo(Problem.READING_STOPPED);
        aside.stop("t2");
        assertThatThrownBy(() -> aside.read("t2", "grid.gtx", watch -> true)).extracting("problem").isEqualTo(Problem.READING_STOPPED);
        assertThat(aside.<Boolean>read("t3", "next.gtx", watch -> true)).isTrue();
    }
}
