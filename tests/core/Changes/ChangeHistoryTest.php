<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\ChangeHistory;
use MintDoor\Core\Changes\Done;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

final class ChangeHistoryTest extends TestCase
{
    use TestTrait;

    public function testChangesAreUndoneStepByStepFromTheLast(): void
    {
        $lines = [new Done('in', 1), new Done('role', 2)];
        self::assertSame(['role'], self::undoable($lines));
        $lines[] = new Done('undo role', 3, 'role');
        self::assertSame(['in', 'undo role'], self::undoable($lines));
        $lines[] = new Done('undo in', 4, 'in');
        self::assertSame(['undo in'], self::undoable($lines), 'the role cannot come back before its bearer');
        self::assertSame('undo role', (new ChangeHistory($lines))->undoneBy('role'));
    }

    public function testWhatWasTakenBackAndBroughtAgainHoldsAgain(): void
    {
        $history = new ChangeHistory([new Done('in', 1), new Done('undo', 2, 'in'), new Done('redo', 3, 'undo')]);
        self::assertNull($history->undoneBy('in'));
        self::assertSame('redo', $history->undoneBy('undo'));
        self::assertTrue($history->mayUndo('in'));
        self::assertFalse($history->mayUndo('never was'));
    }

    /** Held against a plain model: a change puts a word on a pile, an undo gives the pile as it was before. */
    public function testUndoingWhatMayBeUndoneGivesWhatWasBefore(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $lines = [];
            $piles = [[]];
            for ($version = 1; $version < 14; ++$version) {
                $undoable = self::undoable($lines);
                if ([] !== $undoable && $dice->chance(60)) {
                    $target = $dice->one($undoable);
                    $lines[] = new Done("l$version", $version, $target);
                    $piles[] = $piles[(int) substr($target, 1) - 1];
                } else {
                    $lines[] = new Done("l$version", $version);
                    $piles[] = [...$piles[$version - 1], $version];
                }
                $history = new ChangeHistory($lines);
                $holding = [];
                foreach ($lines as $line) {
                    if (null === $line->undoes && null === $history->undoneBy($line->id)) {
                        $holding[] = $line->version;
                    }
                }
                self::assertSame($piles[$version], $holding);
                self::assertContains(
                    $lines[$version - 1]->id,
                    self::undoable($lines),
                    'the last line always may be undone',
                );
            }
        });
    }

    /**
     * @param list<Done> $lines
     *
     * @return list<string>
     */
    private static function undoable(array $lines): array
    {
        $history = new ChangeHistory($lines);

        return array_values(array_filter(array_column($lines, 'id'), $history->mayUndo(...)));
    }
}
