package verge.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import verge.app.support.Books;
import verge.core.units.Figures;

/** A tablet that sleeps, or is gone, is its own affair. */
class LivePageTest {
    private final ExecutorService senders = Executors.newCachedThreadPool();
    private final Books book = new Books(Figures.metric());

    @AfterEach
    void end() {
        senders.shutdownNow();
    }

    /** Keeps what it is sent, as one text; sleeps while it is told to, breaks when it is told to. */
    private static class Tablet extends SseEmitter {
        private final List<String> got = new CopyOnWriteArrayList<>();
        private final CountDownLatch awake = new CountDownLatch(1);
        private volatile boolean asleep;
        private volatile boolean gone;

        @Override
        public void send(SseEventBuilder builder) throws IOException {
            if (gone) {
                throw new IOException("broken pipe");
            }
            StringBuilder text = new StringBuilder();
            for (ResponseBodyEmitter.DataWithMediaType part : builder.build()) {
                text.append(part.getData());
            }
            if (asleep) {
                try {
                    awake.await();
                } catch (InterruptedException ended) {
                    throw new IOException(ended);
                }
            }
            got.add(text.toString().strip().replace("\n", " "));
        }
    }

    private LivePage page(Tablet tablet) {
        return page(tablet, senders);
    }

    private LivePage page(Tablet tablet, Executor by) {
        return new LivePage(UUID.randomUUID(), new LivePage.Reader("surveyor", "s"), new LivePage.Wants(null, false, false), tablet,
                book.journal(), by);
    }

    private static void await(List<String> got, int size) throws InterruptedException {
        for (int i = 0; i < 400 && got.size() < size; i++) {
            TimeUnit.MILLISECONDS.sleep(10);
        }
        assertThat(got).hasSizeGreaterThanOrEqualTo(size);
    }

    @Test
    void aSleepingTabletKeepsOneTextOfEachKindAndGetsTheLatestWhenItWakes() throws Exception {
        Tablet tablet = new Tablet();
        tablet.asleep = true;
        LivePage page = page(tablet);
        for (int i = 0; i < 1000; i++) {
            page.tell("instrument", "i" + i);
            page.tell("guide", "g" + i);
        }
        tablet.asleep = false;
        tablet.awake.countDown();
        await(tablet.got, 2);
        TimeUnit.MILLISECONDS.sleep(50);
        assertThat(tablet.got).hasSizeLessThan(200).contains("event:instrument data:i999", "event:guide data:g999");
    }

    /** By a sender that sends at once: nothing is sent that the page has, and a page that has sent sends again. */
    @Test
    void eachNewTextIsSentAndNoneTwice() {
        Tablet tablet = new Tablet();
        LivePage page = page(tablet, Runnable::run);
        page.tell("book", "1");
        page.tell("book", "1");
        page.tell("guide", "1");
        page.tell("book", "2");
        page.tell("book", "2");
        page.tell("book", "1");
        assertThat(tablet.got).containsExactly("event:book data:1", "event:guide data:1", "event:book data:2", "event:book data:1");
        page.end();
        page.tell("book", "3");
        assertThat(tablet.got).last().isEqualTo("event:out data:");
    }

    @Test
    void whatIsTheSameIsSentOnceAndOthersAreToldMeanwhile() throws Exception {
        Tablet sleeping = new Tablet();
        sleeping.asleep = true;
        Tablet other = new Tablet();
        LivePage slow = page(sleeping);
        LivePage quick = page(other);
        slow.tell("book", "1");
        quick.tell("book", "1");
        quick.tell("book", "1");
        await(other.got, 1);
        assertThat(other.got).containsExactly("event:book data:1");
        assertThat(sleeping.got).isEmpty();
    }

    /** The container says so by itself when a line breaks: who ends it here as well crosses that. */
    @Test
    void onePageThatIsGoneIsToldNothingMore() {
        List<Throwable> ends = new ArrayList<>();
        Tablet tablet = new Tablet() {
            @Override
            public void completeWithError(Throwable why) {
                ends.add(why);
            }
        };
        tablet.gone = true;
        LivePage page = page(tablet, Runnable::run);
        page.tell("book", "1");
        tablet.gone = false;
        page.tell("book", "2");
        assertThat(tablet.got).isEmpty();
        page.end();
        assertThat(ends).isEmpty();
    }

    @Test
    void anOlderLookNeverTakesThePlaceOfANewerOne() {
        LivePage page = page(new Tablet());
        var before = book.journal();
        book.setUp("");
        page.sees(book.journal());
        page.sees(before);
        assertThat(page.journal()).isSameAs(book.journal());
        assertThat(page.stumblesFirst()).isTrue();
        assertThat(page.stumblesFirst()).isFalse();
    }
}
