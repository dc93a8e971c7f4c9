<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Accounts;

use MintDoor\Core\Accounts\Likeness;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LikenessTest extends TestCase
{
    /**
     * @param array{string, string, ?int, list<string>} $a
     * @param array{string, string, ?int, list<string>} $b
     * @param ?list<string>                             $evidence
     */
    #[TestWith([
        ['Noor', 'Haddad', 7, ['2041010']],
        ['Noor', 'Haddad', 7, []],
        ['same-name', 'no-number', 'same-level'],
    ])]
    #[TestWith([
        ['Noor', 'Haddad', 7, ['2041010']],
        ['Noor', 'Haddad', 7, ['2041100']],
        ['same-name', 'one-digit-off', 'same-level'],
    ])]
    #[TestWith([['Noor', 'Haddad', 7, ['2041010']], ['Noor', 'Haddad', 7, ['2099999']], null])]
    #[TestWith([
        ['Noor', 'Haddad', 7, ['2041010', 'n@example.org']],
        ['Noor', 'Haddad', 3, ['2099999', 'n@example.org']],
        ['same-address', 'same-name'],
    ])]
    #[TestWith([['Noor', 'Haddad', 7, ['n@example.org']], ['Kai', 'Haddad', 7, ['n@example.org']], null])]
    #[TestWith([['Noor', 'Haddad', 7, []], ['Noor', 'Haddad', 2, []], null])]
    #[TestWith([['Noor', 'Haddad', null, ['n@example.org']], ['Noor', 'Haddad', null, ['m@example.org']], null])]
    #[TestWith([['Jürgen', 'Müller', null, []], ['Juergen', 'Mueller', null, []], ['same-name', 'no-number']])]
    public function testWhatMakesTwoLikelyOneAndWhatTellsThemApart(array $a, array $b, ?array $evidence): void
    {
        self::assertSame($evidence, Likeness::of(self::known(...$a), self::known(...$b))?->evidence);
        self::assertSame($evidence, Likeness::of(self::known(...$b), self::known(...$a))?->evidence);
    }

    /** @param list<string> $identifiers */
    private static function known(string $given, string $family, ?int $level, array $identifiers): Known
    {
        return new Known(
            new Person('p', PersonKind::Learner, 'seniors', $level),
            Folding::tokens($given),
            Folding::tokens($family),
            [],
            [],
            $identifiers,
        );
    }
}
