// what every test may meet
import '../core/kinds/all'
import '../words/all'
