<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Authority;

use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\Laws;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\Comparison;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Searches everything that people without authority could try, up to four acts one after the other: none of it gives
 * them more than they had, takes anything from who is above them, or leaves an open site without a lead. States that
 * meet are looked at once; sequences are counted by the ways in which a state is reached.
 */
final class NobodyMakesTheirOwnTest extends TestCase
{
    private const DEPTH = 4;

    /** Three hours of one morning: no tie ages in between. */
    private const INSTANTS = [36_000, 39_600, 43_200];

    public function testNoSequenceOfActsMakesAuthority(): void
    {
        $found = ['states' => 0, 'tried' => 0.0, 'effective' => 0.0];
        foreach (self::worlds() as [$world, $first]) {
            $one = self::search($world, $first, self::DEPTH);
            self::assertNull($one['wrong'], implode(' · ', $one['path']));
            $found['states'] += $one['states'];
            $found['tried'] += $one['tried'];
            $found['effective'] += $one['effective'];
        }
        fwrite(
            \STDERR,
            \sprintf(
                "\n%s states, %s sequences in which every act took effect, %s of attempts\n",
                number_format($found['states']),
                number_format($found['effective']),
                number_format($found['tried']),
            ),
        );
        self::assertGreaterThan(1_000_000, $found['tried']);
    }

    #[DataProvider('holes')]
    public function testAPlantedHoleIsFound(Laws $laws, int $ageHours): void
    {
        $wrong = null;
        foreach (self::worlds($laws, $ageHours) as [$world, $first]) {
            $wrong ??= self::search($world, $first, 2)['wrong'];
        }
        self::assertNotNull($wrong);
    }

    /** @return array<string, array{Laws, int}> */
    public static function holes(): array
    {
        return [
            'somebody lengthens themselves' => [
                new class extends Laws {
                    protected function ofOneself(ChangeContext $context, Comparison $change): ?Note
                    {
                        return null;
                    }

                    protected function giving(ChangeContext $context, Timeline $before, Comparison $change): ?Note
                    {
                        return $context->actor->personId === $context->person->id
                            ? null
                            : parent::giving($context, $before, $change);
                    }

                    protected function lifting(ChangeContext $context, array $effects): ?Note
                    {
                        return null;
                    }
                },
                24,
            ],
            'who is above is hurt' => [
                new class extends Laws {
                    protected function taking(ChangeContext $context, Timeline $before, Comparison $change): ?Note
                    {
                        return null;
                    }
                },
                24,
            ],
            'a tie of one\'s own making counts at once' => [new Laws(), 0],
        ];
    }

    /** @return list<array{SmallWorld, Play}> */
    private static function worlds(Laws $laws = new Laws(), int $ageHours = 24): array
    {
        [$now, $soon, $later] = self::INSTANTS;
        $sites = ['s1' => new Site('s1', 'seniors', opensAt: 0), 's2' => new Site('s2', 'evening', opensAt: 0)];
        $people = [
            'lead' => new Person('lead', PersonKind::Staff, 'faculty'),
            'cotutor' => new Person('cotutor', PersonKind::Staff, 'faculty'),
            'colleague' => new Person('colleague', PersonKind::Staff, 'faculty'),
            'learner' => new Person('learner', PersonKind::Learner, 'seniors', 7),
        ];
        $book = FirstRoles::book(['juniors'], ['seniors']);
        $world = new SmallWorld(
            $sites,
            $people,
            $book,
            ['cotutor', 'colleague'],
            ['lead'],
            self::INSTANTS,
            $laws,
            $ageHours,
        );
        $given = static fn(
            string $role,
            int $until = Time::FOREVER,
            DoorKind $kind = DoorKind::Staff,
            array $overrides = [],
        ): Enrollment => new Enrollment(
            [new Grant('first-'.$role, 'staff', $kind, $role, 0, new Window(0, $until), 0, givenBy: 'somebody')],
            array_values($overrides),
        );
        $leads = ['s1 lead' => $given('lead-tutor'), 's2 lead' => $given('lead-tutor')];
        // A co-tutor whose time ends; beside them a colleague who is nothing yet, and a learner of the other site.
        $ends = [
            ...$leads,
            's1 cotutor' => $given('co-tutor', $later),
            's1 colleague' => new Enrollment(),
            's1 learner' => new Enrollment(),
            's2 cotutor' => new Enrollment(),
            's2 colleague' => new Enrollment(),
            's2 learner' => $given('learner', kind: DoorKind::Feed),
        ];
        // Co-tutors of both sites, one of whom an administrator has paused; the lead of one site goes, another stays.
        $pause = new Override('pause', OverrideKind::Paused, new Window(0, $soon), height: 1_000, putBy: 'admin');
        $paused = [
            ...$leads,
            's1 cotutor' => $given('co-tutor'),
            's1 colleague' => $given('co-tutor', overrides: [$pause]),
            's1 learner' => $given('learner', $soon),
            's2 cotutor' => $given('co-tutor', $soon),
            's2 colleague' => new Enrollment(),
            's2 learner' => new Enrollment(),
        ];

        return [[$world, Play::begun($now, $ends)], [$world, Play::begun($now, $paused)]];
    }

    /** @return array{wrong: ?string, path: list<string>, states: int, tried: float, effective: float} */
    private static function search(SmallWorld $world, Play $first, int $depth): array
    {
        $level = [$first->key() => [$first, 1.0, []]];
        $seen = [];
        $found = [
            'wrong' => $world->wrong($first, $first),
            'path' => [],
            'states' => 1,
            'tried' => 0.0,
            'effective' => 0.0,
        ];
        for ($step = 1; $step <= $depth && null === $found['wrong']; ++$step) {
            $next = [];
            foreach ($level as [$play, $ways, $path]) {
                foreach ($world->acts($play) as $name => $after) {
                    $found['tried'] += $ways;
                    if (null === $after) {
                        continue;
                    }
                    $found['effective'] += $ways;
                    $key = $after->key();
                    if (isset($next[$key])) {
                        $next[$key][1] += $ways;
                        continue;
                    }
                    if (!isset($seen[$key])) {
                        $seen[$key] = true;
                        ++$found['states'];
                        $wrong = $world->wrong($first, $after);
                        if (null !== $wrong) {
                            return [...$found, 'wrong' => $wrong, 'path' => [...$path, $name, '→ '.$wrong]];
                        }
                    }
                    if ($step < $depth) {
                        $next[$key] = [$after, $ways, [...$path, $name]];
                    }
                }
            }
            $level = $next;
        }

        return $found;
    }
}
