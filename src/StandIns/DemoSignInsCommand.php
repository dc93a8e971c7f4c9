<?php

declare(strict_types=1);

namespace MintDoor\StandIns;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('demo:sign-ins', 'Says who of the demo one can sign in as')]
final class DemoSignInsCommand extends Command
{
    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $output->writeln('Sign in as one of these, with the password '.DemoSignIns::PASSWORD.':');
        foreach (DemoSignIns::AS as $login => $what) {
            $output->writeln(\sprintf('  %-18s %s', $login, $what));
        }

        return Command::SUCCESS;
    }
}
