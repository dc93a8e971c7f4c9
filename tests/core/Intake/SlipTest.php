<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Intake\Slip;
use MintDoor\Core\Text\NameKeys;
use MintDoor\Core\Text\Nicknames;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SlipTest extends TestCase
{
    use TestTrait;

    #[TestWith(['lindqvist', 'lindqvist', 0.0])]
    #[TestWith(['linqdvist', 'lindqvist', 0.6])]
    #[TestWith(['lindqvost', 'lindqvist', 0.6])]
    #[TestWith(['lindqqvist', 'lindqvist', 0.4])]
    #[TestWith(['lindqvast', 'lindqvist', 0.7])]
    #[TestWith(['lindqist', 'lindqvist', 0.9])]
    #[TestWith(['bindqvist', 'lindqvist', 0.9])]
    public function testLikelySlipsCostLess(string $typed, string $name, float $apart): void
    {
        self::assertEqualsWithDelta($apart, Slip::between($typed, $name), 1e-9);
    }

    public function testItIsTheSameBothWaysAndNothingOnlyForTheSameWord(): void
    {
        $word = Generators::map(
            static fn(array $letters): string => implode('', $letters),
            Generators::vector(6, Generators::elements('a', 'b', 'e', 'l', 'n', 'o', 'r')),
        );
        $this->limitTo(80)
            ->forAll($word, $word)
            ->then(static function (string $a, string $b): void {
                self::assertEqualsWithDelta(Slip::between($a, $b), Slip::between($b, $a), 1e-9);
                self::assertSame($a === $b, 0.0 === Slip::between($a, $b));
            });
    }

    public function testOneLetterLessMoreOrOtherSharesASlip(): void
    {
        $word = Generators::map(
            static fn(array $letters): string => implode('', $letters),
            Generators::vector(7, Generators::elements('a', 'b', 'e', 'l', 'n', 'o', 'r')),
        );
        $this->limitTo(80)
            ->forAll($word, Generators::choose(0, 6), Generators::elements('x', 'y'))
            ->then(static function (string $name, int $at, string $letter): void {
                foreach (
                    [
                        substr_replace($name, '', $at, 1),
                        substr_replace($name, $letter, $at, 1),
                        substr_replace($name, $letter, $at, 0),
                    ] as $typed
                ) {
                    self::assertNotSame([], array_intersect(NameKeys::slips($typed), NameKeys::slips($name)));
                }
            });
    }

    #[TestWith(['mueller', 'muller'])]
    #[TestWith(['dmitrij', 'dmitri'])]
    #[TestWith(['nowak', 'novak'])]
    #[TestWith(['haakon', 'hakon'])]
    public function testTransliterationsShareASpelling(string $a, string $b): void
    {
        self::assertSame(NameKeys::canon($a), NameKeys::canon($b));
    }

    public function testNicknamesStandForOneAnother(): void
    {
        $table = new Nicknames([['Małgorzata', 'Gosia', 'Gocha'], ['Margit', 'Gocha']]);
        self::assertSame(['gosia', 'malgosia', 'goska', 'gocha'], $table->of('malgorzata'), 'the common ones first');
        self::assertSame(['malgorzata', 'gosia', 'margit'], $table->of('gocha'));
        self::assertSame([], $table->of('gocho'));
        self::assertContains('elizabeth', $table->of('beth'));
        self::assertNotContains('lizzie', $table->of('beth'), 'two short names are two people as often as one');
        self::assertGreaterThan(500, Nicknames::many());
    }
}
