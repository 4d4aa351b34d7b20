package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;

/**
 * The frame's own modules where they decide, each by itself in the browser that runs them: what is asked first and answered last does not
 * win.
 */
class FrameModulesTest extends InBrowser {
    /**
     * What is asked for under /by-hand/ is answered by hand, in any order: 'answer(name, body)' for the first that waits under that name.
     * All else that the page asks for goes its way.
     */
    private static final String BY_HAND = """
            const waiting = [];
            const real = window.fetch;
            window.fetch = (url, options) => {
              const path = new URL(url, location.href).pathname;
              return path.startsWith('/by-hand/') ? new Promise(done => waiting.push({ name: path.slice(9), done })) : real(url, options);
            };
            const until = async what => { while (!what()) { await new Promise(soon => setTimeout(soon, 5)); } };
            const waits = name => waiting.some(w => w.name === name);
            const answer = async (name, body, status = 200) => {
              await until(() => waits(name));
              const [one] = waiting.splice(waiting.findIndex(w => w.name === name), 1);
              const made = new Response(body, { status, headers: { 'Content-Type': status === 200 ? 'text/html' : 'application/json' } });
              Object.defineProperty(made, 'url', { value: new URL(`/by-hand/${name}`, location.href).href });
              one.done(made);
            };
            const pageOf = (words, lines = 1) => {
              const d = new DOMParser().parseFromString(document.documentElement.outerHTML, 'text/html');
              const bench = d.getElementById('bench');
              bench.removeAttribute('data-module');
              bench.textContent = words;
              d.querySelectorAll('#foot [data-sequence]').forEach(l => { l.dataset.sequence = lines; });
              return d.documentElement.outerHTML;
            };
            const turn = async (name, options) => {
              const { turnTo } = await import('verge/frame/leaves.js');
              return turnTo(`/by-hand/${name}`, options).catch(() => 'told');
            };
            const foot = () => Math.max(...[...document.querySelectorAll('#foot [data-sequence]')].map(l => Number(l.dataset.sequence)));
            const shown = () => document.getElementById('bench').textContent;
            const said = () => document.getElementById('said').textContent;
            const seen = [];
            """;

    FrameModulesTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void anyPage() {
        browser.signIn();
        browser.open("/jobs/" + Jobs.elsewhere(verge).id() + "/prepare");
    }

    @Test
    void onlyTheLatestQuestionCounts() {
        List<String> told = browser.script("""
                const { newest } = await import('verge/frame/newest.js');
                const latest = newest();
                const told = [];
                const doors = [];
                const ask = name => latest(() => new Promise((done, fail) => doors.push({ done, fail })), answer => told.push(name + ' ' \
                + answer), problem => told.push(name + ' failed ' + problem)).then(counted => told.push(name + ' ' + counted));
                const one = ask('one'), two = ask('two'), three = ask('three');
                doors[2].done('c'); await three;
                doors[0].done('a'); await one;
                doors[1].fail('b'); await two;
                const four = ask('four'); doors[3].fail('d'); await four;
                const five = ask('five'); latest.forget(); doors[4].done('e'); await five;
                return told;
                """);
        assertThat(told).containsExactly("three c", "three true", "one false", "two false", "four failed d", "four true", "five false");
    }

    /** A slow tab neither shows over the one opened after it, nor tells its failure there. */
    @Test
    void aSlowTabDoesNotWin() {
        List<String> seen = browser.script(BY_HAND + """
                const slow = turn('slow');
                await until(() => waits('slow'));
                const quick = turn('quick');
                await answer('quick', pageOf('quick')); await quick; seen.push(shown());
                await answer('slow', pageOf('slow')); await slow; seen.push(shown());
                const failing = turn('failing');
                await until(() => waits('failing'));
                const next = turn('next');
                await answer('next', pageOf('next')); await next;
                await answer('failing', '{"title": "Too late to tell."}', 422);
                seen.push(String(await failing), shown(), said());
                window.fetch = real;
                return seen;
                """);
        assertThat(seen.subList(0, 4)).containsExactly("quick", "quick", "undefined", "next");
        assertThat(seen.get(4)).doesNotContain("Too late");
    }

    /** Two things are sent, and the first is answered last: the page of the second stays, and what was sent is looked for at the foot. */
    @Test
    void whatWasSentFirstAndAnsweredLastDoesNotWin() {
        List<String> seen = browser.script(BY_HAND + """
                const first = turn('first', { method: 'POST' });
                await until(() => waits('first'));
                const second = turn('second', { method: 'POST' });
                await answer('second', pageOf('second', 9)); await second; seen.push(shown());
                await answer('first', pageOf('first', 8)); await first; seen.push(shown());
                await answer('second', pageOf('an older frame', 7));
                await until(() => waits('second'));
                seen.push(String(foot()));
                await answer('second', pageOf('the frame', 10));
                await until(() => foot() === 10);
                seen.push(shown());
                window.fetch = real;
                return seen;
                """);
        assertThat(seen).containsExactly("second", "second", "9", "second");
    }

    /** A bench whose module comes when another has taken its place is not brought to life: nobody would take it down. */
    @Test
    void aBenchThatComesLateIsNotMounted() {
        String came = browser.script("""
                const { mountBench } = await import('verge/frame/leaves.js');
                const now = document.getElementById('bench');
                const late = now.cloneNode(false);
                late.dataset.module = 'sketch/labels';
                now.replaceWith(late);
                const mounting = mountBench().then(() => 'passed over', () => 'mounted');
                late.replaceWith(now);
                return mounting;
                """);
        assertThat(came).isEqualTo("passed over");
    }
}
