<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Cohorts;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Cohorts\Cohort;
use MintDoor\Core\Cohorts\Link;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\Source;
use MintDoor\Core\Cohorts\Web;
use MintDoor\Core\Time\Spans;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** What follows from what among cohorts and sites. */
final class WebTest extends TestCase
{
    use TestTrait;

    public function testARingIsNamedAlsoThroughASite(): void
    {
        $strings = new Cohort('strings', Rule::all(Rule::labels('strings'), Rule::in('harmony')));
        $team = new Cohort('team', Rule::not(Rule::cohort('strings')));
        $links = [new Link('strings', 'baroque')];
        self::assertSame([], (new Web([$strings, $team], $links))->circle());
        $ring = (new Web([$strings, $team], [...$links, new Link('team', 'harmony')]))->circle();
        $keys = array_map(static fn(Source $source): string => $source->key(), $ring);
        self::assertEqualsCanonicalizing(['cohort strings', 'cohort team', 'harmony'], $keys);
        $at = (int) array_search('harmony', $keys, true);
        self::assertSame('cohort strings', $keys[($at + 1) % 3], 'what follows comes next');
        self::assertCount(1, (new Web([new Cohort('self', Rule::cohort('self'))]))->circle());
    }

    public function testWhatIsTouchedIsWhatReadsItAndWhatReadsThat(): void
    {
        $web = new Web(
            [
                new Cohort('both', Rule::all(Rule::cohort('strings'), Rule::kinds('learner'))),
                new Cohort('strings', Rule::labels('strings')),
                new Cohort('there', Rule::in('baroque')),
                new Cohort('list'),
            ],
            [new Link('strings', 'baroque')],
        );
        self::assertSame(['strings', 'both'], $web->touched(['labels']), 'a roster that follows tells by itself');
        self::assertSame(['strings', 'there', 'both'], $web->touched(['person']), 'anybody may leave the directory');
        self::assertSame(['there'], $web->touched(['baroque']));
        self::assertSame([], $web->touched(['elsewhere', 'cohort list']));
        self::assertSame(['baroque'], $web->sitesReadBy('there', 'both'));
        self::assertSame(['strings'], $web->cohortsReadBy('there', 'both'));
    }

    public function testWhatIsReadComesFirst(): void
    {
        $this->eachWeb(static function (Web $web, array $cohorts): void {
            $place = array_flip($web->order());
            self::assertCount(\count($cohorts), $place);
            foreach ($cohorts as $cohort) {
                foreach ($web->cohortsReadBy($cohort->id) as $read) {
                    self::assertLessThan($place[$cohort->id], $place[$read]);
                }
            }
            self::assertSame([], $web->circle());
        });
    }

    /** Looking only at what is touched gives what looking at everything does. */
    public function testAllTogetherIsEachByItself(): void
    {
        $this->eachWeb(static function (Web $web, array $cohorts, Dice $dice): void {
            $facts = Drawn::facts($dice);
            $now = $dice->below(Drawn::END);
            $all = $web->belongings($facts, $web->order(), $now);
            self::assertCount(\count($cohorts), $all);
            foreach ($cohorts as $cohort) {
                $known = $facts;
                foreach ($web->cohortsReadBy($cohort->id) as $read) {
                    $known = $known->with($read, $all[$read]);
                }
                self::assertEquals($cohort->rule?->spans($known)->from($now), $all[$cohort->id]);
            }
        });
    }

    public function testAListIsNotComputed(): void
    {
        $facts = Drawn::facts(new Dice(1))->with('list', Spans::always());
        $web = new Web([new Cohort('list'), new Cohort('not', Rule::not(Rule::cohort('list')))]);
        $belongs = $web->belongings($facts, $web->order(), 0);
        self::assertSame(['not'], array_keys($belongs));
        self::assertTrue($belongs['not']->isNever());
    }

    /** @param \Closure(Web, list<Cohort>, Dice): void $check */
    private function eachWeb(\Closure $check): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($check): void {
            $dice = new Dice($seed);
            $cohorts = $ids = [];
            for ($n = 1 + $dice->below(6); $n > 0; --$n) {
                $ids[] = "d$n";
                $cohorts[] = new Cohort("d$n", Drawn::rule($dice, 3, \array_slice($ids, 0, -1)));
            }
            $cohorts = $dice->some($cohorts, \count($cohorts));
            $check(new Web($cohorts, [new Link($cohorts[0]->id, 'followed')]), $cohorts, $dice);
        });
    }
}
