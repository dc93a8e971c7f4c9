<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Items;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Items\Audience;
use MintDoor\Core\Items\Item;
use MintDoor\Core\Items\ItemKind;
use MintDoor\Core\Items\Leak;
use MintDoor\Core\Items\Viewer;
use MintDoor\Core\Items\Visibility;
use MintDoor\Core\Items\VisibilityKind;
use MintDoor\Core\Time\Time;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** Who sees what: what is computed from stretches of time is what looking at every instant says. */
final class VisibilityTest extends TestCase
{
    use TestTrait;

    private const END = 24;

    public function testASentenceOfPartsIsReadAsItSounds(): void
    {
        $sentence = Visibility::all(
            Visibility::any(Visibility::sections('m'), Visibility::labels('strings')),
            Visibility::between(10, 20),
        );
        self::assertTrue($sentence->sees(new Viewer(['m']), 10));
        self::assertTrue($sentence->sees(new Viewer(['e'], labels: ['strings']), 19));
        self::assertFalse($sentence->sees(new Viewer(['e']), 15));
        self::assertFalse($sentence->sees(new Viewer(['m']), 20), 'until is not included');
        self::assertTrue($sentence->sees(new Viewer(makes: true), 99), 'who makes items sees all');
        self::assertSame([3, 5], [$sentence->depth(), $sentence->size()]);
        self::assertSame(['m'], $sentence->named(VisibilityKind::Sections));
    }

    public function testSpansAreWhatEveryInstantSays(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $sentence = self::sentence($dice, 3);
            $viewer = self::viewer($dice);
            for ($at = 0; $at < self::END; ++$at) {
                self::assertSame($this->byHand($sentence, $viewer, $at), $sentence->spans($viewer)->contains($at));
            }
            $windows = $sentence->spans($viewer)->windows;
            foreach ($windows as $n => $window) {
                self::assertTrue(0 === $n || $windows[$n - 1]->until < $window->from, 'apart, and in order');
            }
        });
    }

    public function testJoiningIsAsSetsAre(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $viewer = self::viewer($dice);
            [$a, $b] = [self::sentence($dice, 3)->spans($viewer), self::sentence($dice, 3)->spans($viewer)];
            for ($at = 0; $at < self::END; ++$at) {
                [$in, $other] = [$a->contains($at), $b->contains($at)];
                self::assertSame($in || $other, $a->or($b)->contains($at));
                self::assertSame($in && $other, $a->and($b)->contains($at));
                self::assertSame($in && !$other, $a->without($b)->contains($at));
            }
            self::assertSame($a->contains(self::END) ? self::END : $a->first(self::END), $a->first(self::END));
        });
    }

    public function testAnAudienceCountsWhomEachOfThemSees(): void
    {
        $this->eachAudience(static function (Audience $audience, array $items, array $people): void {
            for ($at = 0; $at < self::END; $at += 5) {
                $seen = array_map(static fn(Viewer $viewer): array => $audience->seenBy($viewer, $at), $people);
                foreach ($items as $item) {
                    $count = \count(
                        array_filter($seen, static fn(array $own): bool => \in_array($item->id, $own, true))
                    );
                    self::assertSame($count, $audience->seeing($item->id, $at));
                }
            }
        });
    }

    public function testNothingIsSeenWithoutTheUnitItStandsIn(): void
    {
        $this->eachAudience(static function (Audience $audience, array $items, array $people): void {
            foreach ($people as $viewer) {
                $seen = $audience->seenBy($viewer, 7);
                foreach ($items as $item) {
                    $alone = null === $item->unit || \in_array($item->unit, $seen, true);
                    self::assertTrue($alone || !\in_array($item->id, $seen, true));
                }
            }
        });
    }

    /** A leak is said where somebody sees what names an item they do not see, and nowhere else. */
    public function testNamesOfWhatIsHiddenAreFound(): void
    {
        $this->eachAudience(static function (Audience $audience, array $items, array $people): void {
            $found = [];
            foreach ($audience->leaks(0, self::END, []) as $leak) {
                if ('names-hidden' === $leak->code) {
                    $found[$leak->item.' '.$leak->other] = [$leak->people, $leak->at];
                }
            }
            $expected = [];
            foreach ($items as $item) {
                foreach ($item->names as $other) {
                    [$who, $first] = [0, self::END];
                    foreach ($people as $viewer) {
                        for ($at = 0; $at < self::END; ++$at) {
                            $seen = $audience->seenBy($viewer, $at);
                            if (\in_array($item->id, $seen, true) && !\in_array($other, $seen, true)) {
                                ++$who;
                                $first = min($first, $at);
                                break;
                            }
                        }
                    }
                    $expected += 0 === $who ? [] : [$item->id.' '.$other => [$who, $first]];
                }
            }
            ksort($found);
            ksort($expected);
            self::assertSame($expected, $found);
        });
    }

    public function testWhatNobodySeesAndWhoHasNothingToHandIn(): void
    {
        $items = [
            new Item('task', ItemKind::Task, 'Essay'),
            new Item('old', ItemKind::Announcement, 'Welcome'),
            new Item('list', ItemKind::Announcement, 'All meetings', names: ['late']),
            new Item('late', ItemKind::Meeting, 'Evening meeting'),
        ];
        $people = ['a' => new Viewer(['m']), 'b' => new Viewer(['e']), 'c' => new Viewer(['e']), 't' => new Viewer(
            makes: true
        )];
        $audience = new Audience($items, [
            'task' => Visibility::sections('m'),
            'old' => Visibility::between(0, 5),
            'late' => Visibility::sections('e'),
        ], $people);
        $said = array_map(
            static fn(Leak $leak): array => [$leak->code, $leak->item, $leak->other, $leak->section, $leak->people],
            $audience->leaks(10, 20, ['m', 'e', 'n']),
        );
        self::assertSame([
            ['nothing-to-hand-in', null, null, 'e', 2],
            ['names-hidden', 'list', 'late', null, 1],
            ['nobody', 'old', null, null, 0],
        ], $said);
    }

    public function testAUnitThatOpensBeforeItsTask(): void
    {
        $items = [
            new Item('unit', ItemKind::Unit, 'Week 3'),
            new Item('read', ItemKind::Announcement, 'Read this', 'unit'),
            new Item('task', ItemKind::Task, 'Essay', 'unit'),
        ];
        $leaks = static fn(int $unit, int $task): array => (new Audience(
            $items,
            ['unit' => Visibility::between($unit, 90), 'task' => Visibility::between($task, 90)],
            ['a' => new Viewer(), 'b' => new Viewer()],
        ))->leaks(0, 100, []);
        self::assertEquals([new Leak('unit-first', 'unit', 'task', null, 2, 10)], $leaks(10, 20));
        self::assertSame([], $leaks(20, 10));
        self::assertSame([], $leaks(10, 10));
    }

    /** @param callable(Audience, list<Item>, array<string, Viewer>): void $check */
    private function eachAudience(callable $check): void
    {
        $this->limitTo(40)->forAll(
            Generators::choose(0, 1_000_000)
        )->then(
            static function (int $seed) use ($check): void {
                $dice = new Dice($seed);
                $items = $visibilities = $people = [];
                for ($n = 0; $n < 6; ++$n) {
                    $unit = $n > 1 && $dice->chance(40) ? 'i0' : null;
                    $names = $n > 0 && $dice->chance(50) ? ['i'.$dice->below($n)] : [];
                    $kind = 0 === $n ? ItemKind::Unit : $dice->one([ItemKind::Task, ItemKind::Meeting]);
                    $items[] = new Item('i'.$n, $kind, 'Item '.$n, $unit, $names);
                    $visibilities += $dice->chance(80) ? ['i'.$n => self::sentence($dice, 2)] : [];
                }
                for ($n = 0; $n < 5; ++$n) {
                    $people['p'.$n] = self::viewer($dice);
                }
                $check(new Audience($items, $visibilities, $people), $items, $people);
            }
        );
    }

    private static function viewer(Dice $dice): Viewer
    {
        $some = static fn(array $names): array => array_values(
            array_filter($names, static fn(): bool => $dice->chance(45)),
        );

        return new Viewer(
            array_map(strval(...), $some(['e', 'm'])),
            $dice->chance(80) ? ['learner'] : ['class-assistant'],
            array_map(strval(...), $some(['strings', 'on leave'])),
            $dice->chance(10),
            array_map(strval(...), $some(['red', 'blue'])),
        );
    }

    private static function sentence(Dice $dice, int $deep): Visibility
    {
        $from = $dice->between(0, self::END);

        return match ($deep > 1 ? $dice->below(8) : $dice->below(6)) {
            0 => Visibility::everybody(),
            1 => Visibility::sections(...$dice->one([['e'], ['m'], ['e', 'm']])),
            2 => Visibility::roles('learner'),
            3 => Visibility::labels($dice->one(['strings', 'on leave'])),
            4 => Visibility::between($dice->chance(30) ? Time::BEGINNING : $from, $dice->chance(30)
                ? Time::FOREVER
                : $from + $dice->between(0, 9)),
            5 => Visibility::groups($dice->one(['red', 'blue'])),
            6 => Visibility::all(self::sentence($dice, $deep - 1), self::sentence($dice, $deep - 1)),
            default => Visibility::any(self::sentence($dice, $deep - 1), self::sentence($dice, $deep - 1)),
        };
    }

    private function byHand(Visibility $sentence, Viewer $viewer, int $at): bool
    {
        $any = static fn(array $own): bool => [] !== array_intersect($sentence->names, $own);
        $parts = array_map(fn(Visibility $part): bool => $this->byHand($part, $viewer, $at), $sentence->parts);

        return $viewer->makes
            || match ($sentence->kind) {
                VisibilityKind::Everybody => true,
                VisibilityKind::Sections => $any($viewer->sections),
                VisibilityKind::Groups => $any($viewer->groups),
                VisibilityKind::Roles => $any($viewer->roles),
                VisibilityKind::Labels => $any($viewer->labels),
                VisibilityKind::Dates => $sentence->window?->from <= $at && $at < $sentence->window?->until,
                VisibilityKind::All => !\in_array(false, $parts, true),
                VisibilityKind::Any => \in_array(true, $parts, true),
            };
    }
}
