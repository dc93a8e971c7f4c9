<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Looks at everybody of all cohorts as if nothing were known. */
#[AsCommand(
    'cohorts:compare',
    'Compares all cohorts and the sites they are connected to, and mends what is not in step'
)]
final class CompareCommand extends Command
{
    public function __construct(private readonly CohortNight $night)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $mended = $this->night->compare();
        $output->writeln(0 === $mended ? 'Everything is in step.' : "$mended mended.");

        return Command::SUCCESS;
    }
}
