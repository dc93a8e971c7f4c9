<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\People;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\People\Caretaker;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\SpokenPassword;
use MintDoor\StandIns\Dice;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class CaretakerTest extends TestCase
{
    use TestTrait;

    #[TestWith(['tutor', 'learner', false, true, null])]
    #[TestWith(['tutor', 'learner', false, false, 'out-of-reach'])]
    #[TestWith(['tutor', 'staff', false, true, 'not-a-learner'])]
    #[TestWith(['tutor', 'guardian', false, true, 'not-a-learner'])]
    #[TestWith(['division', 'staff', false, false, null])]
    #[TestWith(['division', 'staff', true, true, 'administers'])]
    #[TestWith(['other', 'staff', false, true, 'not-a-learner'])]
    #[TestWith(['platform', 'staff', true, false, null])]
    public function testWhoLooksAfterWhom(string $who, string $kind, bool $administers, bool $inTheirSite, ?string $refusal): void
    {
        $caretaker = new Caretaker('me', 'platform' === $who, match ($who) {
            'division' => ['seniors'], 'other' => ['juniors'], default => [],
        });
        self::assertSame($refusal, $caretaker->refusal(new Person('p', PersonKind::from($kind), 'seniors'), $administers, $inTheirSite));
    }

    public function testAMinorsCardIsForTheirLeadsAndAdministrators(): void
    {
        $junior = new Person('p', PersonKind::Learner, 'juniors');
        self::assertSame(['minor', null], [(new Caretaker('me', false, []))->refusal($junior, false, true, true), (new Caretaker('me', false, []))->refusal($junior, false, true, true, true)]);
        self::assertNull((new Caretaker('me', false, ['juniors']))->refusal($junior, false, false, true));
    }

    public function testWhoMakesWhom(): void
    {
        $tutor = new Caretaker('me', false, []);
        self::assertSame([true, false, false], [$tutor->mayMake(PersonKind::Learner, 'seniors', ['seniors']), $tutor->mayMake(PersonKind::Learner, 'juniors', ['seniors']), $tutor->mayMake(PersonKind::Staff, 'seniors', ['seniors'])]);
        self::assertSame([true, false, true], [(new Caretaker('me', false, ['seniors']))->mayMake(PersonKind::Staff, 'seniors', []), (new Caretaker('me', false, ['seniors']))->mayMake(PersonKind::Staff, 'faculty', []), (new Caretaker('me', true, []))->mayMake(PersonKind::Guardian, 'x', [])]);
    }

    #[TestWith(['me', false, false, false, 'own-account'])]
    #[TestWith(['p', true, false, false, 'administers'])]
    #[TestWith(['p', false, true, false, 'still-here'])]
    #[TestWith(['p', false, true, true, 'gone'])]
    #[TestWith(['p', false, false, false, null])]
    public function testOnlyWhoLeftIsErased(string $whose, bool $administers, bool $here, bool $gone, ?string $refusal): void
    {
        self::assertSame($refusal, (new Caretaker('me', true, []))->mayNotErase(new Person($whose, PersonKind::Learner, 'seniors'), $administers, $here, $gone));
        self::assertSame('me' === $whose ? 'own-account' : 'not-yours', (new Caretaker('me', false, ['juniors']))->mayNotErase(new Person($whose, PersonKind::Learner, 'seniors'), $administers, $here, $gone));
    }

    public function testNobodyLooksAfterTheirOwnAccountOrSomebodyAboveThem(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $caretaker = new Caretaker('me', $dice->chance(20), $dice->some(['juniors', 'seniors', 'faculty'], $dice->below(3)));
            $person = new Person($dice->one(['me', 'p']), $dice->one(PersonKind::cases()), $dice->one(['juniors', 'seniors', 'faculty']));
            $administers = $dice->chance(30);
            if (null === $caretaker->refusal($person, $administers, $dice->chance(50))) {
                self::assertNotSame('me', $person->id);
                self::assertTrue($caretaker->platform || !$administers);
            } else {
                self::assertTrue('me' === $person->id || !$caretaker->platform);
            }
        });
    }

    public function testClosingAnAccountIsForAdministratorsOfItsDivision(): void
    {
        $whose = new Person('p', PersonKind::Learner, 'seniors');
        $may = static fn (bool $platform, string ...$divisions): bool => (new Caretaker('me', $platform, array_values($divisions)))->mayClose($whose);
        self::assertSame([true, true, false, false], [$may(true), $may(false, 'seniors'), $may(false, 'juniors'), $may(false)]);
    }

    public function testSpokenPasswordsAreWordsAndANumberAndHardlyEverTheSame(): void
    {
        $dice = new Dice(7);
        $made = array_map(static fn (): string => SpokenPassword::make($dice->below(...)), range(1, 500));
        self::assertCount(500, array_unique($made));
        foreach ($made as $password) {
            self::assertMatchesRegularExpression('/^([a-z]{3,9}-){4}[1-9]\d$/', $password);
        }
    }
}
