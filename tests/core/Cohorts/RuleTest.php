<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Cohorts;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Cohorts\Facts;
use MintDoor\Core\Cohorts\Place;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\RuleKind;
use MintDoor\Core\Cohorts\Source;
use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** Who belongs by a rule: what is computed from stretches of time is what looking at every instant says. */
final class RuleTest extends TestCase
{
    use TestTrait;

    public function testASentenceIsReadAsItSounds(): void
    {
        $rule = Rule::all(
            Rule::kinds('learner'),
            Rule::divisions('seniors'),
            Rule::levels(7, 8),
            Rule::labels('strings'),
            Rule::any(Rule::in('harmony'), Rule::cohort('accompanists')),
            Rule::not(Rule::labels('on leave')),
        );
        $ada = new Facts(
            ['learner'],
            ['seniors', 'school'],
            7,
            ['Strings'],
            [new Place('harmony', new Window(10, 20))]
        );
        self::assertEquals([new Window(10, 20)], $rule->spans($ada)->windows);
        self::assertTrue($rule->holds($ada->with('accompanists', Spans::always()), 99));
        $leave = new Facts($ada->kinds, $ada->divisions, 7, ['strings', 'On Leave'], $ada->places);
        self::assertFalse($rule->holds($leave, 15));
        $none = new Facts($ada->kinds, $ada->divisions, null, ['strings'], $ada->places);
        self::assertFalse($rule->holds($none, 15), 'who has no level is at none');
        self::assertSame([3, 10], [$rule->depth(), $rule->size()]);
        self::assertCount(7, $rule->atoms());
        self::assertEqualsCanonicalizing(
            ['person', 'labels', 'harmony', 'cohort accompanists'],
            array_map(static fn(Source $source): string => $source->key(), $rule->reads()),
        );
    }

    public function testASectionAndARoleAreOfOneStay(): void
    {
        $places = [
            new Place('s', new Window(0, 10), ['learner'], ['morning']),
            new Place('s', new Window(10, 20), ['tutor'], ['evening']),
        ];
        $facts = new Facts(places: $places);
        self::assertEquals([new Window(0, 20)], Rule::in('s')->spans($facts)->windows);
        self::assertEquals([new Window(10, 20)], Rule::in('s', role: 'tutor')->spans($facts)->windows);
        self::assertTrue(Rule::in('s', 'morning', 'tutor')->spans($facts)->isNever());
    }

    public function testJoiningNothing(): void
    {
        self::assertTrue(Rule::all()->holds(new Facts(), 5));
        self::assertFalse(Rule::any()->holds(new Facts(), 5));
    }

    public function testSpansAreWhatEveryInstantSays(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $rule = Drawn::rule($dice, 4);
            $facts = Drawn::facts($dice);
            $spans = $rule->spans($facts);
            for ($at = 0; $at < Drawn::END; ++$at) {
                self::assertSame(self::byHand($rule, $facts, $at), $spans->contains($at));
            }
            foreach ($spans->windows as $n => $window) {
                self::assertTrue(0 === $n || $spans->windows[$n - 1]->until < $window->from, 'apart, and in order');
            }
        });
    }

    public function testWhoBelongsHasAllThatIsNecessary(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $rule = Drawn::rule($dice, 4);
            $facts = Drawn::facts($dice);
            foreach ($rule->necessary() as $part) {
                self::assertTrue($rule->spans($facts)->without($part->spans($facts))->isNever());
            }
        });
    }

    public function testNotIsTheRestOfTime(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $spans = Drawn::spans(new Dice($seed));
            self::assertEquals($spans, $spans->not()->not());
            self::assertTrue($spans->and($spans->not())->isNever());
            self::assertEquals([new Window()], $spans->or($spans->not())->windows);
            self::assertSame(Time::BEGINNING, Spans::always()->windows[0]->from);
        });
    }

    private static function byHand(Rule $rule, Facts $facts, int $at): bool
    {
        $parts = array_map(static fn(Rule $part): bool => self::byHand($part, $facts, $at), $rule->parts);
        $in = static fn(Place $place): bool => $place->site === $rule->site
            && (null === $rule->section || \in_array($rule->section, $place->sections, true))
            && (null === $rule->role || \in_array($rule->role, $place->roles, true))
            && $place->window->contains($at);
        $lower = static fn(array $names): array => array_map(strtolower(...), $names);

        return match ($rule->kind) {
            RuleKind::All => !\in_array(false, $parts, true),
            RuleKind::Any => \in_array(true, $parts, true),
            RuleKind::Not => !$parts[0],
            RuleKind::Kinds => [] !== array_intersect($rule->names, $facts->kinds),
            RuleKind::Divisions => [] !== array_intersect($rule->names, $facts->divisions),
            RuleKind::Labels => [] !== array_intersect($lower($rule->names), $lower($facts->labels)),
            RuleKind::Levels => null !== $facts->level
                && $facts->level >= $rule->lowest
                && $facts->level <= $rule->highest,
            RuleKind::In => [] !== array_filter($facts->places, $in),
            RuleKind::Cohort => $facts->cohorts[(string) $rule->cohort]->contains($at),
        };
    }
}
