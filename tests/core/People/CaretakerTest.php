<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\People;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Accounts\SpokenPassword;
use MintDoor\Core\People\Caretaker;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\Tie;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class CaretakerTest extends TestCase
{
    use TestTrait;

    private const NOW = 10_000_000;

    #[TestWith(['tutor', 'learner', false, true, null])]
    #[TestWith(['tutor', 'learner', false, false, 'out-of-reach'])]
    #[TestWith(['tutor', 'staff', false, true, 'not-a-learner'])]
    #[TestWith(['tutor', 'guardian', false, true, 'not-a-learner'])]
    #[TestWith(['division', 'staff', false, false, null])]
    #[TestWith(['division', 'staff', true, true, 'administers'])]
    #[TestWith(['other', 'staff', false, true, 'not-a-learner'])]
    #[TestWith(['platform', 'staff', true, false, null])]
    public function testWhoLooksAfterWhom(
        string $who,
        string $kind,
        bool $administers,
        bool $tied,
        ?string $refusal,
    ): void {
        $caretaker = new Caretaker(
            'me',
            'platform' === $who,
            match ($who) {
                'division' => ['seniors'],
                'other' => ['juniors'],
                default => [],
            },
        );
        $whose = new Person('p', PersonKind::from($kind), 'seniors');
        $ties = $tied ? [new Tie(false, true, false, 0)] : [];
        self::assertSame($refusal, $caretaker->care($whose, $administers, false, $ties, self::NOW)->refusal);
    }

    /** A tie of one's own making counts once it has aged; at home sooner than beyond. */
    #[TestWith([true, 24, null])]
    #[TestWith([true, 23, 3_600])]
    #[TestWith([false, 24, 144 * 3_600])]
    #[TestWith([false, 168, null])]
    public function testATieOfOnesOwnMakingAges(bool $home, int $hours, ?int $left): void
    {
        $whose = new Person('p', PersonKind::Learner, 'seniors');
        $tie = new Tie(true, $home, true, self::NOW - 3_600 * $hours);
        $verdict = (new Caretaker('me', false, []))->care($whose, false, false, [$tie], self::NOW);
        self::assertSame(
            [null === $left, null === $left ? null : self::NOW + $left],
            [$verdict->allowed(), $verdict->from],
        );
    }

    #[TestWith([true, false, null])]
    #[TestWith([true, true, 'own-making'])]
    #[TestWith([false, false, 'own-making'])]
    public function testOnlyTheFirstCardAtHomeNeedsNoAge(bool $home, bool $used, ?string $refusal): void
    {
        $whose = new Person('p', PersonKind::Learner, 'seniors');
        $tie = new Tie(false, $home, true, self::NOW);
        $caretaker = new Caretaker('me', false, []);
        self::assertSame($refusal, $caretaker->card($whose, false, false, [$tie], $used, self::NOW)->refusal);
        self::assertSame('minor', $caretaker->card($whose, false, true, [$tie], $used, self::NOW)->refusal);
        self::assertSame('own-making', $caretaker->care($whose, false, false, [$tie], self::NOW)->refusal);
    }

    public function testAMinorIsLookedAfterByTheirLeadsAndAdministrators(): void
    {
        $junior = new Person('p', PersonKind::Learner, 'juniors');
        $care = static fn(Caretaker $who, Tie ...$ties): ?string => $who->care(
            $junior,
            false,
            true,
            array_values($ties),
            0,
        )->refusal;
        $tutor = new Caretaker('me', false, []);
        $helps = new Tie(false, true, false, 0);
        $leads = new Tie(true, true, false, 0);
        self::assertSame(['minor', null], [$care($tutor, $helps), $care($tutor, $helps, $leads)]);
        self::assertNull($care(new Caretaker('me', false, ['juniors'])));
    }

    public function testWhoMakesWhom(): void
    {
        $tutor = new Caretaker('me', false, []);
        self::assertSame(
            [true, false, false],
            [
                $tutor->mayMake(PersonKind::Learner, 'seniors', ['seniors']),
                $tutor->mayMake(PersonKind::Learner, 'juniors', ['seniors']),
                $tutor->mayMake(PersonKind::Staff, 'seniors', ['seniors']),
            ],
        );
        self::assertSame(
            [true, false, true],
            [
                (new Caretaker('me', false, ['seniors']))->mayMake(PersonKind::Staff, 'seniors', []),
                (new Caretaker('me', false, ['seniors']))->mayMake(PersonKind::Staff, 'faculty', []),
                (new Caretaker('me', true, []))->mayMake(PersonKind::Guardian, 'x', []),
            ],
        );
    }

    #[TestWith(['me', false, false, false, 'own-account'])]
    #[TestWith(['p', true, false, false, 'administers'])]
    #[TestWith(['p', false, true, false, 'still-here'])]
    #[TestWith(['p', false, true, true, 'gone'])]
    #[TestWith(['p', false, false, false, null])]
    public function testOnlyWhoLeftIsErased(
        string $whose,
        bool $administers,
        bool $here,
        bool $gone,
        ?string $refusal,
    ): void {
        self::assertSame(
            $refusal,
            (new Caretaker('me', true, []))->mayNotErase(
                new Person($whose, PersonKind::Learner, 'seniors'),
                $administers,
                $here,
                $gone,
            ),
        );
        self::assertSame(
            'me' === $whose ? 'own-account' : 'not-yours',
            (new Caretaker('me', false, ['juniors']))->mayNotErase(
                new Person($whose, PersonKind::Learner, 'seniors'),
                $administers,
                $here,
                $gone,
            ),
        );
    }

    public function testNobodyLooksAfterTheirOwnAccountOrSomebodyAboveThem(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $caretaker = new Caretaker(
                'me',
                $dice->chance(20),
                $dice->some(['juniors', 'seniors', 'faculty'], $dice->below(3)),
            );
            $person = new Person(
                $dice->one(['me', 'p']),
                $dice->one(PersonKind::cases()),
                $dice->one(['juniors', 'seniors', 'faculty']),
            );
            $administers = $dice->chance(30);
            $tie = new Tie($dice->chance(50), $dice->chance(50), $dice->chance(50), self::NOW - $dice->below(900_000));
            $ties = $dice->chance(70) ? [$tie] : [];
            if ($caretaker->care($person, $administers, $dice->chance(50), $ties, self::NOW)->allowed()) {
                self::assertNotSame('me', $person->id);
                self::assertTrue($caretaker->platform || !$administers);
                $byTie = !$caretaker->mayClose($person);
                self::assertTrue(!$byTie || [] !== $ties, 'without a tie only administrators');
                self::assertTrue(
                    !$byTie || !$tie->own || $tie->since <= self::NOW - 86_400,
                    'nobody by a fresh tie of theirs',
                );
            } else {
                self::assertTrue('me' === $person->id || !$caretaker->platform);
            }
        });
    }

    public function testClosingAnAccountIsForAdministratorsOfItsDivision(): void
    {
        $whose = new Person('p', PersonKind::Learner, 'seniors');
        $may = static fn(bool $platform, string ...$divisions): bool => (new Caretaker(
            'me',
            $platform,
            array_values($divisions),
        ))->mayClose($whose);
        self::assertSame(
            [true, true, false, false],
            [$may(true), $may(false, 'seniors'), $may(false, 'juniors'), $may(false)],
        );
    }

    public function testSpokenPasswordsAreWordsAndANumberAndHardlyEverTheSame(): void
    {
        $dice = new Dice(7);
        $made = array_map(static fn(): string => SpokenPassword::make($dice->below(...)), range(1, 500));
        self::assertCount(500, array_unique($made));
        foreach ($made as $password) {
            self::assertMatchesRegularExpression('/^([a-z]{3,9}-){4}[1-9]\d$/', $password);
        }
    }
}
