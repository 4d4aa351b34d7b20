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
    /** Answers are given by hand, in any order: 'answer(n, body, ok)' for the nth that was asked. */
    private static final String BY_HAND = """
            const asked = [];
            const real = window.fetch;
            window.fetch = (url, options) => new Promise(done => asked.push({ url: String(url), options, done }));
            const until = async what => { while (!what()) { await new Promise(soon => setTimeout(soon, 5)); } };
            const answer = async (n, body, status = 200) => {
              await until(() => asked.length > n);
              const made = new Response(body, { status, headers: { 'Content-Type': status === 200 ? 'text/html' : 'application/json' } });
              Object.defineProperty(made, 'url', { value: new URL(asked[n].url, location.href).href });
              asked[n].done(made);
            };
            const pageOf = (words, lines = 1) => { const d = new DOMParser().parseFromString(document.documentElement.outerHTML, \
            'text/html'); const b = d.getElementById('bench'); b.removeAttribute('data-module');
              b.textContent = words; d.querySelectorAll('#foot [data-sequence]').forEach(l => { l.dataset.sequence = lines; }); return \
            d.documentElement.outerHTML; };
            const shown = () => document.getElementById('bench').textContent;
            const said = () => document.getElementById('said').textContent;
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
                const { turnTo } = await import('verge/frame/leaves.js');
                const seen = [];
                const slow = turnTo('/slow').catch(() => seen.push('told'));
                await until(() => asked.length === 1);
                const quick = turnTo('/quick').catch(() => {});
                await answer(1, pageOf('quick')); await quick; seen.push(shown());
                await answer(0, pageOf('slow')); await slow; seen.push(shown());
                const failing = turnTo('/failing').catch(() => seen.push('told'));
                await until(() => asked.length >= 3);
                const n = asked.findIndex(a => a.url === '/failing');
                const next = turnTo('/next').catch(() => {});
                await until(() => asked.some(a => a.url === '/next'));
                await answer(asked.findIndex(a => a.url === '/next'), pageOf('next')); await next;
                await answer(n, '{"title": "Too late to tell."}', 422); await failing; seen.push(shown()); seen.push(said());
                window.fetch = real;
                return seen;
                """);
        assertThat(seen.subList(0, 3)).containsExactly("quick", "quick", "next");
        assertThat(seen.get(3)).doesNotContain("Too late");
    }

    /** Two things are sent, and the first is answered last: the page of the second stays, and what was sent is looked for at the foot. */
    @Test
    void whatWasSentFirstAndAnsweredLastDoesNotWin() {
        List<String> seen = browser.script(BY_HAND + """
                const { turnTo } = await import('verge/frame/leaves.js');
                const seen = [];
                const first = turnTo('/first', { method: 'POST' }).catch(() => {});
                const second = turnTo('/second', { method: 'POST' }).catch(() => {});
                await until(() => asked.length === 2);
                await answer(1, pageOf('second', 9)); await second; seen.push(shown());
                await answer(0, pageOf('first', 8)); await first; seen.push(shown());
                const frames = () => asked.filter(a => a.url === location.href);
                const foot = () => Math.max(...[...document.querySelectorAll('#foot [data-sequence]')].map(l => \
                Number(l.dataset.sequence)));
                await until(() => frames().length === 1);
                await answer(asked.indexOf(frames()[0]), pageOf('an older frame', 7));
                await until(() => frames().length === 2);
                seen.push(String(foot()));
                await answer(asked.indexOf(frames()[1]), pageOf('the frame', 10));
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
