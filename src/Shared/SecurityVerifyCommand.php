<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('security:verify', 'Says whether any line of the security log was changed, taken out or put in')]
final class SecurityVerifyCommand extends Command
{
    public function __construct(private readonly SecurityLog $log)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $broken = $this->log->broken();
        $output->writeln(
            match ($broken) {
                null => 'Every line of the security log is as it was written.',
                0 => 'Lines are missing at the end of the security log.',
                default => \sprintf('From line %d on the security log is not as it was written.', $broken),
            },
        );

        return null === $broken ? Command::SUCCESS : Command::FAILURE;
    }
}
