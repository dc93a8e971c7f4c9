<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Computes a plan again from its record, and says whether the same comes of it. */
#[AsCommand('plans:check', 'Computes a plan again from the record that was downloaded, and compares')]
final class CheckPlanCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('record', InputArgument::REQUIRED, 'The file that was downloaded');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('record');
        $text = \is_string($file) && is_file($file) ? file_get_contents($file) : false;
        $kept = false === $text ? null : json_decode($text, true);
        if (!\is_array($kept) || !\is_string($kept['seed'] ?? null)) {
            $output->writeln('This is no record of a plan. Download it on the page of the plan.');

            return Command::INVALID;
        }
        $record = PlanRecord::read($kept);
        $plan = $record->plan($kept['seed']);
        $said = array_column((array) ($kept['places'] ?? []), 'section', 'person');
        $differ = 0;
        foreach ($record->people as $person) {
            $differ += (int) (($said[$person->id] ?? null) !== ($plan->places[$person->id] ?? null));
        }
        $output->writeln(
            0 === $differ
                ? \sprintf('The same comes of it: %d people.', \count($record->people))
                : \sprintf('Something else comes of it: %d of %d people differ.', $differ, \count($record->people)),
        );

        return 0 === $differ ? Command::SUCCESS : Command::FAILURE;
    }
}
