<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** What is stored is reached through repositories; the database's own words are spoken nowhere else. */
final class RepositoriesTest extends TestCase
{
    /** Those who may speak to it besides: what repositories stand on, and what builds a platform out of nothing. */
    private const MAY = [
        'Shared/BaseRepository.php',
        'Shared/BulkWriter.php',
        'Shared/Locks.php',
        'Shared/RepeatableMigration.php',
        'Shared/SchemaCommand.php',
        'Shared/Statements.php',
        'Shared/Transaction.php',
    ];

    private const SPEAKS = <<<'REGEX'
        /Doctrine\\DBAL\\(Connection|Result|Statement)\b
        |->(executeQuery|executeStatement|fetch\w+|createQueryBuilder|createQuery|createNativeQuery)\(
        |\bSELECT\s.+\sFROM\s|\bUPDATE\s\w+\sSET\s/xs
        REGEX;

    public function testOnlyRepositoriesSpeakToTheDatabase(): void
    {
        $found = [];
        foreach ($this->sources()->notPath('Repository')->notPath('Demo') as $file) {
            if (
                1 === preg_match(self::SPEAKS, $file->getContents())
                && !\in_array($file->getRelativePathname(), self::MAY, true)
            ) {
                $found[] = $file->getRelativePathname();
            }
        }
        self::assertSame([], $found);
    }

    public function testThoseWhoMayDo(): void
    {
        foreach (self::MAY as $path) {
            self::assertMatchesRegularExpression(
                '/Doctrine\\\\DBAL\\\\/',
                (string) file_get_contents(\dirname(__DIR__, 3)."/src/$path"),
                "$path needs to be excepted no more.",
            );
        }
    }

    /** A statement by hand says why it is not Doctrine's. */
    public function testStatementsByHandSayWhy(): void
    {
        $silent = [];
        foreach ($this->sources()->path('Repository') as $file) {
            $code = $file->getContents();
            $byHand = preg_match('/\$this->(rows|eachRow|eachNumbered|row|number|execute|bulk)\(/', $code);
            if (1 === $byHand && 1 !== preg_match('/by hand/i', $code)) {
                $silent[] = $file->getRelativePathname();
            }
        }
        self::assertSame([], $silent);
    }

    private function sources(): Finder
    {
        return (new Finder())->files()->in(\dirname(__DIR__, 3).'/src')->name('*.php')->sortByName();
    }
}
