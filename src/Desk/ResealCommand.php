<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use MintDoor\Doors\DoorKeys;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sealer;
use MintDoor\Shared\SecurityLog;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand(
    'secrets:reseal',
    'Seals anew, under APP_SECRET, what was sealed under APP_SECRET_PREVIOUS; then that one can go',
)]
final class ResealCommand extends Command
{
    /** Table, column, and what names a row. */
    private const TEXTS = [
        ['letter', 'text', ['id']],
        ['letter', 'html', ['id']],
        ['idempotency', 'answer', ['person_id', 'id']],
    ];

    public function __construct(
        private readonly Connection $db,
        private readonly Sealer $sealer,
        private readonly DoorKeys $keys,
        private readonly SecurityLog $log,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $keys = $this->keys->reseal();
        $this->log->reseal();
        $texts = 0;
        foreach (self::TEXTS as [$table, $column, $names]) {
            $rows = $this->db->iterateAssociative(
                'SELECT '.implode(', ', [...$names, $column])." FROM $table WHERE $column IS NOT NULL",
            );
            foreach ($rows as $row) {
                $texts += $this->anew($table, $column, $names, new Row($row));
            }
        }
        $output->writeln(\sprintf('Sealed anew: %d keys, %d texts.', $keys, $texts));

        return Command::SUCCESS;
    }

    /** @param non-empty-list<string> $names columns that name the row */
    private function anew(string $table, string $column, array $names, Row $row): int
    {
        $sealed = (string) base64_decode($row->string($column), true);
        if (!$this->sealer->isOld($sealed, $table)) {
            return 0;
        }
        $anew = $this->sealer->sealText((string) $this->sealer->open($sealed, $table), $table);
        $this->db->executeStatement("UPDATE $table SET $column = ? WHERE ".implode(' = ? AND ', $names).' = ?', [
            $anew,
            ...array_map($row->string(...), $names),
        ]);

        return 1;
    }
}
